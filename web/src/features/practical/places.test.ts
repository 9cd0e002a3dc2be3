import { describe, expect, it } from 'vitest'
import { briefOf, filled, freeTable, inTheWay, type Place, type Setting } from './places'

const place = (table: number, student = '', partner = ''): Place => ({ table, student, partner })
const CLASS = ['ana', 'ben', 'cleo', 'dag', 'eva', 'finn']

it('the next table is the lowest that nobody is at', () => {
  expect(freeTable([], [])).toBe(1)
  expect(freeTable([place(1), place(3)], [{ tableNumber: 2 }])).toBe(4)
  expect(freeTable([place(2)], [{ tableNumber: 4 }])).toBe(1)
})

describe('filling in', () => {
  it('takes those first who have not shown it yet', () => {
    const places = filled([place(1), place(2)], CLASS, new Set(['ana', 'cleo']))
    expect(places.map((p) => p.student)).toEqual(['ben', 'dag'])
  })
  it('names everybody once, and keeps the names that stand', () => {
    const places = filled([place(1, 'dag', 'ana'), place(2), place(3)], CLASS, new Set())
    expect(places[0]).toEqual(place(1, 'dag', 'ana'))
    const named = places.flatMap((p) => [p.student, p.partner])
    expect(new Set(named).size).toBe(6)
  })
  it('leaves places empty where the class is too small', () => {
    const places = filled([place(1), place(2), place(3)], ['ana', 'ben', 'cleo'], new Set())
    expect(places.map((p) => p.student)).toEqual(['ana', 'ben', 'cleo'])
    expect(places.every((p) => p.partner === '')).toBe(true)
  })
})

describe('before hands are laid on', () => {
  const setting: Setting = {
    term: 't',
    sequence: 'calves',
    steps: ['a', 'b', 'c'],
    sides: 'each',
    minutes: 20,
  }
  const ready = { clashes: [], blocked: [], rest: 3, gates: [] }
  it('somebody has to ask, what clashes has to go, and a closed gate wants its reason', () => {
    const p: Place = { ...place(1, 'ana', 'ben'), ready }
    expect(inTheWay(p)).toBe(true)
    expect(inTheWay({ ...p, today: [] })).toBe(false)
    expect(inTheWay({ ...p, today: [], ready: undefined })).toBe(true)
    expect(inTheWay({ ...p, today: [], ready: { ...ready, clashes: ['Step 2 …'] } })).toBe(true)
    const closed = { ...ready, gates: [{ gate: 'jaw' as const, open: false, why: 'The jaw comes after …' }] }
    expect(inTheWay({ ...p, today: [], ready: closed })).toBe(true)
    expect(inTheWay({ ...p, today: [], ready: closed, despite: '  ' })).toBe(true)
    expect(inTheWay({ ...p, today: [], ready: closed, despite: 'shown last week' })).toBe(false)
  })
  it('a place asks what all are asked unless its body needs otherwise', () => {
    const p = place(3, 'ana', 'ben')
    expect(briefOf(p, setting)).toMatchObject({
      asked: undefined,
      sides: 'each',
      limitSeconds: 1200,
      tableNumber: 3,
    })
    expect(briefOf(p, { ...setting, asked: ['a', 'b'] }).asked).toEqual(['a', 'b'])
    expect(briefOf({ ...p, asked: ['b'], sides: 'left' }, { ...setting, asked: ['a', 'b'] })).toMatchObject({
      asked: ['b'],
      sides: 'left',
    })
  })
  it('a spot check says what it looks at', () => {
    expect(briefOf(place(1, 'ana'), { ...setting, criterion: 'draping' })).toMatchObject({
      kind: 'spot-check',
      criterion: 'draping',
    })
  })
})
