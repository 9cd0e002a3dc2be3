import { describe, expect, it } from 'vitest'
import type { Tap } from './queue'
import {
  breaksOf,
  coverDue,
  doing,
  lastTap,
  live,
  lookDue,
  lookDueInTurn,
  sheetDue,
  tally,
  undone,
  workedMs,
} from './run'

let seq = 0
const tap = (
  atMs: number,
  kind: Tap['kind'],
  data: Partial<Tap['data']> = {},
  id = `t${++seq}`,
  device = 'd',
): Tap => ({ id, device, seq: ++seq, atMs, kind, data }) as Tap

describe('undo', () => {
  it('takes a tap back, and undoing the undo brings it back', () => {
    const report = tap(10, 'report', { number: 3 }, 'r')
    const undo = tap(20, 'undo', { ref: 'r' }, 'u')
    expect(live([report, undo])).toEqual([])
    expect(live([report, undo, tap(30, 'undo', { ref: 'u' })])).toEqual([report])
  })
  it('offers the newest tap of this device, never where the eyes are', () => {
    const taps = [
      tap(1, 'report', { number: 3 }, 'mine'),
      tap(2, 'report', { number: 4 }, 'other', 'e'),
      tap(3, 'attend', { on: true }),
    ]
    expect(lastTap(taps, 'd')?.id).toBe('mine')
    expect(lastTap([], 'd')).toBeUndefined()
  })
})

describe('what is being done', () => {
  it('counts the time of each step and side', () => {
    const state = doing([
      tap(0, 'step-start', { step: 'a', side: 'right' }),
      tap(5000, 'step-start', { step: 'b', side: 'right' }),
      tap(9000, 'step-stop'),
      tap(10000, 'step-start', { step: 'a', side: 'right' }),
    ])
    expect(state.on).toBe('a/right')
    expect(state.since).toBe(10000)
    expect(Object.fromEntries(state.spent)).toEqual({ 'a/right': 5000, 'b/right': 4000 })
  })
  it('goes on by a branch of the plan, or ends by it and is done', () => {
    const begun = tap(0, 'step-start', { step: 'a', side: 'right' })
    const instead = (atMs: number, step: string, then: Tap['data']['then']) =>
      tap(atMs, 'instead', { step, side: 'right', when: 'hurts', then })
    const lighter = doing([begun, instead(4000, 'a', 'lighter')])
    expect(lighter.on).toBe('a/right')
    expect(lighter.since).toBe(4000)
    expect(Object.fromEntries(lighter.spent)).toEqual({ 'a/right': 4000 })
    const stopped = doing([begun, instead(4000, 'a', 'stop')])
    expect(stopped.on).toBeUndefined()
    expect(Object.fromEntries(stopped.spent)).toEqual({ 'a/right': 4000 })
    const skipped = doing([begun, instead(4000, 'b', 'skip')])
    expect(skipped.on).toBe('a/right')
    expect(skipped.since).toBe(0)
    expect(Object.fromEntries(skipped.spent)).toEqual({ 'b/right': 0 })
  })
  it('ends at a safety stop', () => {
    expect(doing([tap(0, 'step-start', { step: 'a' }), tap(9, 'safety-stop')]).on).toBeUndefined()
  })
})

describe('a look', () => {
  const eyes = tap(1000, 'attend', { on: true })
  it('is asked for every twenty seconds from when the eyes came', () => {
    expect(lookDue([eyes], 20, 20_999)).toBeUndefined()
    expect(lookDue([eyes], 20, 21_000)).toBe(21_000)
    expect(lookDue([], 20, 99_000)).toBeUndefined()
  })
  it('stays open until it is answered; a fault noted in between answers nothing', () => {
    expect(lookDue([eyes, tap(22_000, 'look', { asked: false, faults: [] })], 20, 23_000)).toBe(21_000)
    expect(lookDue([eyes, tap(22_000, 'look', { asked: true, faults: [] })], 20, 23_000)).toBeUndefined()
    expect(lookDue([eyes, tap(22_000, 'look', { asked: true, faults: [] })], 20, 41_000)).toBe(41_000)
  })
})

it('a tally counts what still stands', () => {
  const taps = [tap(1, 'rate-tap', {}, 'x'), tap(2, 'rate-tap'), tap(3, 'undo', { ref: 'x' })]
  expect(tally(taps, (t) => t.kind === 'rate-tap')).toBe(1)
})

describe('breaks', () => {
  const late = [tap(0, 'break', { on: true }), tap(120_000, 'break', { on: false })]
  it('stop the clock of the work', () => {
    expect(workedMs(late, 300_000)).toBe(180_000)
    const again = [...late, tap(200_000, 'break', { on: true })]
    expect(breaksOf(again)).toEqual({ since: 200_000, took: 120_000 })
    expect(workedMs(again, 500_000)).toBe(80_000)
  })
  it('take the hands off', () => {
    expect(doing([tap(0, 'step-start', { step: 'a' }), tap(9, 'break', { on: true })]).on).toBeUndefined()
  })
})

it('names the undo that took a tap back, so that it can be put back', () => {
  const taps = [tap(1, 'report', { number: 3 }, 'r'), tap(2, 'undo', { ref: 'r' }, 'u')]
  expect(undone(taps).get('r')).toBe('u')
  expect(undone([...taps, tap(3, 'undo', { ref: 'u' }, 'v')]).has('r')).toBe(false)
})

describe('looks that fall due', () => {
  const begins = (at: number, step: string) => tap(at, 'step-start', { step, side: 'right' } as never)
  const look = (at: number, asked = true) => tap(at, 'look', { faults: [], asked })
  const sheet = (at: number) => tap(at, 'sheet-look', { missed: [] })
  it('go in turn over all tables from the floor: with three of them each comes round in a minute', () => {
    const run = [begins(10_000, 'a')]
    expect(lookDueInTurn([], 20, 3, 500_000)).toBeUndefined()
    expect(lookDueInTurn(run, 20, 3, 69_999)).toBeUndefined()
    expect(lookDueInTurn(run, 20, 3, 70_000)).toBe(70_000)
    expect(lookDueInTurn([...run, look(75_000)], 20, 3, 134_999)).toBeUndefined()
    expect(lookDueInTurn([...run, look(75_000, false)], 20, 3, 80_000)).toBe(70_000)
  })

  const leg = [{ unit: 'leg', side: 'right' }]
  const spans = [
    { step: 'greet', side: 'right', open: [] },
    { step: 'warm', side: 'right', open: leg },
    { step: 'firm', side: 'right', open: leg },
    { step: 'rest', side: 'right', open: [] },
  ] as never
  it('are due at each change of the sheet, and not where it stays as it is', () => {
    expect(sheetDue(spans, [begins(0, 'greet')])).toBeUndefined()
    const warm = [begins(0, 'greet'), begins(10, 'warm')]
    expect(sheetDue(spans, warm)).toBe(10)
    expect(sheetDue(spans, [...warm, sheet(20), begins(30, 'firm')])).toBeUndefined()
    expect(sheetDue(spans, [...warm, sheet(20), begins(30, 'firm'), begins(40, 'rest')])).toBe(40)
  })
  it('are due once more at the end, where something was open', () => {
    expect(coverDue(spans, [begins(0, 'greet')])).toBe(false)
    const run = [begins(10, 'warm'), sheet(20), begins(30, 'firm')]
    expect(coverDue(spans, run)).toBe(true)
    expect(coverDue(spans, [...run, sheet(90)])).toBe(false)
    // The last step changed the sheet itself: its own look is not the one at the end.
    expect(coverDue(spans, [begins(10, 'warm'), sheet(20)])).toBe(true)
    expect(coverDue(spans, [begins(10, 'warm'), sheet(20), sheet(90)])).toBe(false)
  })
})
