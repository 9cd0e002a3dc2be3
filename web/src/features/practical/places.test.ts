import { describe, expect, it } from 'vitest'
import { filled, freeTable, type Place } from './places'

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
