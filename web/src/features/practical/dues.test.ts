import { expect, it } from 'vitest'
import { duesAt, workedMs } from './dues'

const silence = {
  kind: 'silence',
  text: 'no question for',
  from: 144_000,
  lateFrom: 180_000,
  since: 0,
} as const
const cold = {
  kind: 'said',
  text: 'cold, said the client',
  from: 9000,
  lateFrom: 9000,
  until: 39_000,
} as const
const begin = { kind: 'begin', text: 'not begun', from: 0 } as const

it('something is due from its moment on, late from another, and over by itself where it says so', () => {
  expect(duesAt([silence], 143_999)).toEqual([])
  expect(duesAt([silence], 144_000)).toEqual([{ kind: 'silence', text: 'no question for 2 min', hot: false }])
  expect(duesAt([silence], 180_000)[0]?.hot).toBe(true)
  expect(duesAt([cold], 38_999)).toEqual([{ kind: 'said', text: 'cold, said the client', hot: true }])
  expect(duesAt([cold], 39_000)).toEqual([])
})

it('what is late comes first, and else all stay in their order', () => {
  expect(duesAt([begin, silence, cold], 10_000).map((d) => d.kind)).toEqual(['said', 'begin'])
  expect(duesAt([begin, silence], 150_000).map((d) => d.kind)).toEqual(['begin', 'silence'])
})

it('under a minute and a half it is told in seconds', () => {
  const look = { kind: 'look', text: 'not looked at for', from: 0, since: 10_000 } as const
  expect(duesAt([look], 99_000)[0]?.text).toBe('not looked at for 89 s')
  expect(duesAt([look], 100_000)[0]?.text).toBe('not looked at for 2 min')
})

it('the clock of the work stands still in a break', () => {
  const so = { rested: 120_000 } as Parameters<typeof workedMs>[0]
  expect(workedMs(so, 300_000)).toBe(180_000)
  expect(workedMs({ ...so, restingSince: 200_000 }, 500_000)).toBe(80_000)
})
