import { expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import { duesOf } from './dues'
import type { Tap } from './queue'

let seq = 0
const tap = (atMs: number, kind: Tap['kind'], data: Partial<Tap['data']> = {}): Tap =>
  ({ id: `t${++seq}`, device: 'd', seq, atMs, kind, data }) as Tap
const span = (step: string, side: string, start: number, second = false) => ({
  step,
  side,
  start,
  end: start + 60,
  open: [] as { unit: string; side: string }[],
  second,
  band: { low: 1, high: 3 },
})
const view = (more: object = {}) =>
  ({
    spans: [span('warm', 'right', 0), span('hip', 'right', 60), span('warm', 'left', 120, true)],
    sequence: {
      blocks: [
        {
          steps: [
            { id: 'warm', zones: ['calf'] },
            { id: 'hip', zones: ['gluteals'] },
          ],
        },
      ],
    },
    profile: {
      draping: { sensitive: ['gluteals'] },
      mechanics: { lookEverySeconds: 20 },
      communication: { largestSilenceSeconds: 180 },
    },
    ...more,
  }) as unknown as Schema['PracticalView']
const begun = [tap(0, 'attend', { on: true }), tap(0, 'step-start', { step: 'warm', side: 'right' } as never)]
const asks = (at: number) => tap(at, 'say', { saying: 'pressure-question' } as never)
const kinds = (taps: Tap[], at: number, v = view()) => duesOf(v, taps, at).map((d) => d.kind)

it('a report over the band waits for an answer until there is one', () => {
  const said = [...begun, tap(5000, 'report', { number: 4 })]
  expect(duesOf(view(), said, 6000)[0]).toMatchObject({ kind: 'answer', text: 'said 4: answer?', hot: true })
  expect(kinds([...said, tap(7000, 'report-answer', { response: 'eased' } as never)], 8000)).not.toContain(
    'answer',
  )
  expect(kinds([...begun, tap(5000, 'report', { number: 3 })], 6000)).not.toContain('answer')
})

it('permission is due before a sensitive zone, and late once hands are on it', () => {
  expect(duesOf(view(), begun, 1000)).toEqual([{ kind: 'consent', text: 'gluteals: asked?', hot: false }])
  const on = [...begun, tap(60_000, 'step-start', { step: 'hip', side: 'right' } as never), asks(60_000)]
  expect(duesOf(view(), on, 61_000)[0]).toMatchObject({ kind: 'consent', hot: true })
  expect(kinds([...on, tap(61_000, 'consent', { answer: 'yes' } as never)], 62_000)).not.toContain('consent')
  expect(kinds([...on, tap(61_000, 'consent', { answer: 'asked' } as never)], 62_000)).toContain('consent')
})

it('a table that nobody looked at for three turns of looks is looked at next', () => {
  const away = [...begun, asks(9000), tap(10_000, 'attend', { on: false })]
  expect(kinds(away, 69_000)).not.toContain('look')
  expect(duesOf(view(), away, 75_000).find((d) => d.kind === 'look')).toMatchObject({
    text: 'look: 65 s unseen',
    hot: false,
  })
  expect(duesOf(view(), away, 140_000).find((d) => d.kind === 'look')?.hot).toBe(true)
  expect(kinds([...away, tap(70_000, 'attend', { on: true })], 75_000)).not.toContain('look')
})

it('a silence is said before it is too long', () => {
  expect(kinds([...begun, asks(0)], 140_000)).not.toContain('silence')
  expect(duesOf(view(), [...begun, asks(0)], 150_000).find((d) => d.kind === 'silence')).toMatchObject({
    text: 'no question for 3 min',
    hot: false,
  })
  expect(duesOf(view(), [...begun, asks(0)], 200_000).find((d) => d.kind === 'silence')?.hot).toBe(true)
})

it('the second side is due when its time by plan has come', () => {
  expect(kinds(begun, 110_000)).not.toContain('side')
  expect(duesOf(view(), begun, 130_000).find((d) => d.kind === 'side')).toMatchObject({
    text: 'left side due',
    hot: false,
  })
  const second = tap(125_000, 'step-start', { step: 'warm', side: 'left' } as never)
  expect(kinds([...begun, second], 130_000)).not.toContain('side')
})

it('a table that has not begun, and one over its time, say so', () => {
  expect(kinds([], 5000)).toEqual(['consent', 'begin'].filter((k) => k === 'begin'))
  expect(duesOf(view({ limitSeconds: 60 }), begun, 61_000)[0]).toMatchObject({ kind: 'over', hot: true })
})

it('what is late comes first', () => {
  const run = [...begun, asks(0), tap(5000, 'report', { number: 9 })]
  const dues = duesOf(view(), run, 150_000)
  expect(dues[0]!.hot).toBe(true)
  expect(dues.findLastIndex((d) => d.hot)).toBeLessThan(dues.findIndex((d) => !d.hot))
})

it('a stop is called out until hands are on again, a word of the handset for half a minute', () => {
  const stop = [...begun, tap(9000, 'safety-stop', { byClient: true })]
  expect(duesOf(view(), stop, 200_000)[0]).toMatchObject({ text: 'stop, said the client', hot: true })
  const on = [...stop, tap(210_000, 'step-start', { step: 'warm', side: 'right' } as never)]
  expect(kinds(on, 211_000)).not.toContain('said')
  expect(kinds([...begun, tap(9000, 'safety-stop')], 10_000)).toContain('stop')
  const cold = [...begun, asks(0), tap(9000, 'client-word', { word: 'cold' } as never)]
  expect(kinds(cold, 20_000)).toContain('said')
  expect(kinds(cold, 40_000)).not.toContain('said')
  expect(kinds([...begun, tap(9000, 'note', { text: 'a good start' })], 9500)).not.toContain('said')
})

it('nothing is due in a break, and its time is not the student’s', () => {
  const late = [tap(0, 'break', { on: true })]
  expect(duesOf(view(), late, 600_000)).toEqual([{ kind: 'break', text: 'break for 10 min', hot: false }])
  const limited = view({ limitSeconds: 600 })
  const on = [
    ...late,
    tap(300_000, 'break', { on: false }),
    tap(300_000, 'step-start', { step: 'warm', side: 'right' } as never),
  ]
  expect(kinds(on, 890_000, limited)).not.toContain('over')
  expect(kinds(on, 910_000, limited)).toContain('over')
})

it('a change of the sheet is due as a look until there is one, and pressing after twenty seconds', () => {
  const open = view()
  open.spans[1]!.open = [{ unit: 'hip', side: 'right' }] as never
  const hip = [...begun, asks(0), tap(60_000, 'step-start', { step: 'hip', side: 'right' } as never)]
  const due = (taps: Tap[], at: number) => duesOf(open, taps, at).find((d) => d.kind === 'sheet')
  expect(due(begun, 5000)).toBeUndefined()
  expect(due(hip, 61_000)).toEqual({ kind: 'sheet', text: 'sheet: look', hot: false })
  expect(due(hip, 81_000)?.hot).toBe(true)
  const looked = [...hip, tap(65_000, 'sheet-look', { missed: [] } as never)]
  expect(due(looked, 81_000)).toBeUndefined()
  // Covered again: that is a change as well.
  expect(
    due([...looked, tap(120_000, 'step-start', { step: 'warm', side: 'left' } as never)], 121_000),
  ).toBeDefined()
})
