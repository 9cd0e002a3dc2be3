import { describe, expect, it } from 'vitest'
import { FINGERS } from '@/parts/criteria'
import { percent, rowsOf, standing, type Row, type State, stateOf } from './track'

const row = (name: string, ...states: State[]): Row => ({
  id: name,
  name,
  palms: [
    {
      region: 'neck',
      secure: states.filter((s) => s === 'secure').length,
      bars: FINGERS.map((f, i) => ({
        criterion: f.id,
        state: states[i] ?? 'not seen',
        fill: states[i] ? 3 : 0,
        level: states[i] ? 70 : undefined,
        why: '',
      })),
    },
  ],
  secure: 0,
  dueAgain: 0,
  atRisk: 0,
  critical: 0,
  seen: states.length,
})
const ana = row('Ana', 'secure', 'secure', 'secure', 'secure', 'secure')
const bo = row('Bo', 'at risk', 'secure', 'secure')
const cy = row('Cy', 'open critical')
const di = row('Di')
const all = [ana, bo, cy, di]
const names = (rows: Row[]) => rows.map((r) => r.name)

describe('a cohort', () => {
  it('stands by name, by who needs it first, and by fewest secure', () => {
    expect(names(rowsOf(all, { sort: 'name', show: '', only: '' }))).toEqual(['Ana', 'Bo', 'Cy', 'Di'])
    expect(names(rowsOf(all, { sort: 'need', show: '', only: '' }))).toEqual(['Cy', 'Bo', 'Di', 'Ana'])
    expect(names(rowsOf(all, { sort: 'secure', show: '', only: '' }))).toEqual(['Cy', 'Di', 'Bo', 'Ana'])
  })
  it('shows only those who have such a bar, of one criterion where one is chosen', () => {
    expect(names(rowsOf(all, { sort: 'name', show: 'risk', only: '' }))).toEqual(['Bo'])
    expect(names(rowsOf(all, { sort: 'name', show: 'risk', only: 'order' }))).toEqual([])
    expect(names(rowsOf(all, { sort: 'name', show: 'unseen', only: 'order' }))).toEqual(['Cy', 'Di'])
    expect(names(rowsOf(all, { sort: 'need', show: '', only: 'pressure' }))).toEqual([
      'Cy',
      'Bo',
      'Di',
      'Ana',
    ])
  })
  it('leaves the list it was given as it was', () => {
    rowsOf(all, { sort: 'need', show: '', only: '' })
    expect(names(all)).toEqual(['Ana', 'Bo', 'Cy', 'Di'])
  })
})

describe('a student in a few words', () => {
  it('is what asks for a look first, then how much is secure, then what was seen', () => {
    expect(standing(bo)).toBe('1 at risk')
    expect(standing(cy)).toBe('1 open critical')
    expect(standing(ana)).toBe('5 secure')
    expect(standing(row('Ed', 'emerging'))).toBe('1 criterion seen')
    expect(standing(di)).toBe('not seen yet')
    expect(standing(bo, 'order')).toBe('1 secure')
  })
})

it('never says that a chance is none, certain, or better than it is', () => {
  expect(percent(0)).toBe('under 1 %')
  expect(percent(0.004)).toBe('under 1 %')
  expect(percent(0.799)).toBe('79 %')
  expect(percent(0.8)).toBe('80 %')
  expect(percent(0.9951)).toBe('99 %')
  expect(percent(1)).toBe('over 99 %')
})

it('a state that rests on one look says so in its place', () => {
  const line = (state: string, n: number) => ({ bar: { state }, history: Array.from({ length: n }) })
  expect(stateOf(line('emerging', 1))).toBe('seen once')
  expect(stateOf(line('emerging', 2))).toBe('emerging')
  expect(stateOf(line('open critical', 1))).toBe('open critical')
})
