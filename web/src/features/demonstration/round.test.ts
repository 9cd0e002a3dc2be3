import { expect, it } from 'vitest'
import { atTable, callsAt, roundAt, swapped, working, type Leg } from './round'

const leg = (name: string, role: number, seconds: number, calls: Leg['calls'] = []): Leg => ({
  kind: role ? 'work' : 'settle',
  role,
  name,
  seconds,
  calls,
})
const live = (more: object = {}) => ({
  round: 'r',
  elapsedSeconds: 20,
  standing: {
    leg: 0,
    startedAt: 12,
    paused: false,
    seconds: [10, 20, 30],
    endsAt: 72,
    finished: false,
    ...more,
  },
})

it('goes on from part to part between two answers of the server', () => {
  expect(roundAt(live(), 20)).toEqual({ leg: 0, into: 8 })
  expect(roundAt(live(), 22)).toEqual({ leg: 1, into: 0 })
  expect(roundAt(live(), 65)).toEqual({ leg: 2, into: 23 })
  expect(roundAt(live(), 99).leg).toBe(3)
  expect(roundAt(live({ leg: -1 }), 99).leg).toBe(-1)
})

it('stands still while it is paused', () => {
  expect(roundAt(live({ paused: true }), 500)).toEqual({ leg: 0, into: 8 })
})

it('shows the arrangement of the next who works while nobody does', () => {
  const legs = [leg('settle', 0, 60), leg('right', 1, 60), leg('roles', 0, 60), leg('right', 2, 60)]
  expect(working(legs, -1)?.role).toBe(1)
  expect(working(legs, 0)?.role).toBe(1)
  expect(working(legs, 2)?.role).toBe(2)
  expect(working(legs, 4)).toBeUndefined()
})

it.each([
  [['Ana', 'Ben'], 1, 'Ana on Ben'],
  [['Ana', 'Ben'], 2, 'Ben on Ana'],
  [['Ana', 'Ben', 'Cleo'], 2, 'Ben on Cleo, Ana'],
  [['Ana', 'Ben', 'Cleo'], 3, 'Cleo on Ana, Ben'],
])('%j: when the %ith works it is %s', (names, role, said) => {
  const t = atTable(names, role)
  expect([`${t.therapist} on ${t.client}`, ...t.watching].join(', ')).toBe(said)
})

it('calls the step that is on and says when the next comes', () => {
  const l = leg('right', 1, 60, [
    { atSeconds: 0, number: 1, name: 'warm', place: '' },
    { atSeconds: 20, number: 2, name: 'knead', place: '' },
  ])
  expect(callsAt(l, 5)).toMatchObject({ on: { number: 1 }, next: { number: 2 }, until: 15 })
  expect(callsAt(l, 20)).toMatchObject({ on: { number: 2 }, next: undefined, until: undefined })
  expect(callsAt(leg('again', 1, 9), 5)).toMatchObject({ on: undefined, next: undefined })
})

it('two people change places, at one table or at two', () => {
  expect(swapped([['a', 'b'], ['c']], 'a', 'c')).toEqual([['c', 'b'], ['a']])
  expect(swapped([['a', 'b'], ['c']], 'a', 'b')).toEqual([['b', 'a'], ['c']])
})
