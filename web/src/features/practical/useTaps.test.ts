import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import type { Schema } from '@/api/client'
import type { AsksTaps, SoFar } from '@/core/askTaps'
import { deviceName, type KeptTap, type Tap, type TapStore } from './queue'
import { useTaps } from './useTaps'

const post = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', async (original) => ({
  ...(await original<object>()),
  api: { POST: post },
}))

const PRACTICAL = '0123456789'
const says = vi.fn<AsksTaps>()
let scope: EffectScope
let kept: Map<string, KeptTap>
const store: TapStore = {
  all: async () => [...kept.values()],
  put: async (_, all) => all.forEach((k) => kept.set(k.tap.id, k)),
  remove: async (_, ids) => ids.forEach((id) => kept.delete(id)),
}
/** What taps come to where each of them counts. */
const soFar = (taps: readonly Tap[]) =>
  ({ counted: taps.length, progress: { counting: taps.map((t) => t.id) } }) as unknown as SoFar
const view = (events: Tap[] = [], elapsedMs = 0) =>
  ({ elapsedMs, events, finished: false, ...soFar(events) }) as unknown as Schema['PracticalView']
const stored = (n: number) => ({ data: { stored: n, finished: false }, response: new Response() })
const dead = () => Promise.reject(new TypeError('network'))
const unsent = () => [...kept.values()].filter((k) => !k.sent).map((k) => k.tap)
function setUp() {
  scope = effectScope()
  return scope.run(() => useTaps(PRACTICAL, store, says))!
}

beforeEach(() => {
  vi.useFakeTimers()
  post.mockReset()
  says.mockReset().mockImplementation(async (taps) => soFar(taps))
  kept = new Map()
  localStorage.setItem('palm-device', 'dev')
})
afterEach(() => {
  scope?.stop()
  vi.useRealTimers()
})

describe('an older server', () => {
  it('that does not say what taps come to is not waited for', async () => {
    const taps = setUp()
    const events = [{ id: 'a', kind: 'attend', atMs: 5, data: {} } as unknown as Tap]
    const opened = taps.open({ ...view(events), progress: undefined! })
    expect(taps.progress.value.counting).toEqual([])
    await opened
    await taps.settled()
    expect(taps.progress.value.counting).toEqual(['a'])
    expect(taps.unscored.value).toBe(0)
  })
})

describe('taps', () => {
  it('go to the browser’s own database first and are sent once the server has answered', async () => {
    post.mockImplementation(dead)
    const taps = setUp()
    await taps.open(view())
    await taps.attend(true)
    await taps.tap('report', { number: 3 })
    expect(unsent()).toHaveLength(2) // the grader's eyes, and the report
    expect(taps.waiting.value).toBe(2)
    expect(taps.problem.value?.code).toBe('no-answer')
    post.mockResolvedValue(stored(2))
    await taps.flush()
    expect(unsent()).toEqual([])
    expect(taps.waiting.value).toBe(0)
  })

  it('are answered for only when they are stored, whoever had begun to send', async () => {
    let answer: (value: unknown) => void = () => undefined
    post.mockImplementation(() => new Promise((resolve) => (answer = resolve)))
    const taps = setUp()
    await taps.open(view())
    const first = taps.tap('report', { number: 3 })
    await vi.advanceTimersByTimeAsync(0)
    let done = false
    const second = taps.tap('review-answer', { question: 'q', said: 'asked' }).then(() => (done = true))
    await vi.advanceTimersByTimeAsync(3000) // the sending is under way, and the clock that sends again has struck
    expect(done).toBe(false)
    answer(stored(1))
    await vi.advanceTimersByTimeAsync(0)
    expect(done).toBe(false)
    answer(stored(2))
    await Promise.all([first, second])
    expect(post.mock.calls.map((c) => c[1].body.events.length)).toEqual([1, 1])
    expect(taps.waiting.value).toBe(0)
  })

  it('that were something else are taken back and written anew at their moment', async () => {
    post.mockResolvedValue(stored(3))
    const taps = setUp()
    await taps.open(view([], 5000))
    await taps.tap('report', { number: 8 })
    await vi.advanceTimersByTimeAsync(4000)
    const was = taps.taps.value.find((t) => t.kind === 'report')!
    await taps.correct(was, { number: 6 })
    const all = taps.taps.value
    expect(all.map((t) => t.kind)).toEqual(['report', 'undo', 'report'])
    expect(all[1]).toMatchObject({ data: { ref: was.id }, atMs: was.atMs + 4000 })
    expect(all[2]).toMatchObject({ data: { number: 6 }, atMs: was.atMs })
  })

  it('that an earlier visit left unsent are sent now, with numbers that go on', async () => {
    const left = {
      id: 'dev-01234567-7',
      device: 'dev',
      seq: 7,
      atMs: 500,
      kind: 'report',
      data: { number: 5 },
    } as Tap
    kept.set(left.id, { tap: left })
    post.mockResolvedValue(stored(2))
    const taps = setUp()
    await taps.open(view([], 1000))
    await taps.attend(true)
    await taps.flush()
    const sent = post.mock.calls.flatMap((c) => c[1].body.events as Tap[])
    expect(sent.map((t) => t.seq)).toEqual([7, 8])
    expect(sent[1]!.kind).toBe('attend')
  })

  it('that were sent are there again for who opens the page without a network, and go once the server shows them', async () => {
    post.mockResolvedValue(stored(1))
    const taps = setUp()
    await taps.open(view())
    await taps.tap('report', { number: 3 })
    scope.stop()
    const offline = setUp()
    await offline.open(view())
    expect(offline.taps.value.map((t) => t.data.number)).toEqual([3])
    expect(offline.waiting.value).toBe(0)
    scope.stop()
    const again = setUp()
    await again.open(view(taps.taps.value))
    expect(again.taps.value).toHaveLength(1)
    expect(kept.size).toBe(0)
  })

  it('made while the page still opens keep their moment and get a number of their own', async () => {
    post.mockResolvedValue(stored(2))
    const taps = setUp()
    void taps.open(view([], 4000))
    void taps.attend(true)
    await taps.tap('report', { number: 2 })
    const all = taps.taps.value
    expect(all.map((t) => t.kind)).toEqual(['attend', 'report'])
    expect(new Set(all.map((t) => t.id)).size).toBe(2)
    expect(all[1]!.atMs).toBeGreaterThanOrEqual(4000)
  })

  it('are not held up by one that the server refuses', async () => {
    const refuse = { error: { code: 'invalid', detail: 'no' }, response: new Response(null, { status: 422 }) }
    post.mockImplementation(async (_: string, o: { body: { events: Tap[] } }) =>
      o.body.events.some((t) => t.kind === 'report') ? refuse : stored(o.body.events.length),
    )
    const taps = setUp()
    await taps.open(view())
    await taps.tap('report', { number: 3 })
    await taps.tap('look', { faults: [] })
    expect(taps.waiting.value).toBe(0)
    expect(taps.refused.value).toBe(1)
    expect(taps.refusal.value?.detail).toBe('no')
    expect(unsent().map((t) => t.kind)).toEqual(['report'])
  })

  it('never run backwards, even when the device’s clock says less than the server', async () => {
    post.mockResolvedValue(stored(1))
    const taps = setUp()
    const later = { id: 'x', device: 'e', seq: 1, atMs: 9000, kind: 'report', data: { number: 1 } } as Tap
    await taps.open(view([later], 100))
    await taps.tap('report', { number: 2 })
    expect(taps.taps.value.at(-1)!.atMs).toBeGreaterThanOrEqual(9000)
  })

  it('do not call a gap watched in which the page was closed', async () => {
    post.mockResolvedValue(stored(1))
    const taps = setUp()
    const eyes = { id: 'x', device: 'e', seq: 1, atMs: 1000, kind: 'attend', data: { on: true } } as Tap
    await taps.open(view([eyes], 60_000))
    await taps.attend(true)
    expect(taps.taps.value.map((t) => [t.kind, t.data.on, t.atMs])).toEqual([
      ['attend', true, 1000],
      ['attend', false, 1000],
      ['attend', true, 60_000],
    ])
  })

  it('can be taken back one by one, whether they were counted or not yet, and never where the eyes are', async () => {
    post.mockResolvedValue(stored(1))
    const taps = setUp()
    await taps.open(view())
    await taps.attend(true)
    await taps.tap('report', { number: 2 })
    const report = taps.taps.value.at(-1)!
    says.mockImplementation(dead)
    await taps.tap('look', { faults: [] })
    const look = taps.taps.value.at(-1)!
    await taps.tap('report', { number: 5 })
    expect(taps.pressed.value).toBe(5)
    await taps.undo()
    expect(taps.pressed.value).toBeUndefined()
    await taps.undo()
    expect(taps.taps.value.at(-1)).toMatchObject({ kind: 'undo', data: { ref: look.id } })
    await taps.undo()
    expect(taps.taps.value.at(-1)).toMatchObject({ kind: 'undo', data: { ref: report.id } })
    const before = taps.taps.value.length
    await taps.undo()
    expect(taps.taps.value.length).toBe(before)
  })

  it('are asked about one question at a time, and the last of them always', async () => {
    post.mockResolvedValue(stored(1))
    const taps = setUp()
    await taps.open(view())
    let answer: (so: SoFar) => void = () => undefined
    says.mockImplementation(() => new Promise((resolve) => (answer = resolve)))
    await taps.tap('report', { number: 2 })
    await taps.tap('report', { number: 3 })
    await taps.tap('report', { number: 4 })
    expect(says).toHaveBeenCalledTimes(1)
    answer(soFar(says.mock.lastCall![0]))
    await vi.advanceTimersByTimeAsync(0)
    expect(says).toHaveBeenCalledTimes(2)
    expect(says.mock.lastCall![0].map((t) => t.data.number)).toEqual([2, 3, 4])
    expect(taps.unscored.value).toBe(2)
    expect(taps.pressed.value).toBe(4)
    answer(soFar(says.mock.lastCall![0]))
    await taps.settled()
    expect(taps.unscored.value).toBe(0)
    expect(taps.pressed.value).toBeUndefined()
    expect(taps.counting.value.map((t) => t.data.number)).toEqual([2, 3, 4])
  })

  it('say once where the grader’s eyes are, and nothing when they were there already', async () => {
    post.mockResolvedValue(stored(1))
    const taps = setUp()
    const eyes = { id: 'x', device: 'dev', seq: 1, atMs: 1000, kind: 'attend', data: { on: true } } as Tap
    await taps.open(view([eyes], 3000))
    await taps.attend(true)
    expect(taps.taps.value).toHaveLength(1)
    await taps.attend(false)
    await taps.attend(false)
    expect(taps.taps.value.map((t) => t.data.on)).toEqual([true, false])
  })

  it('end with the practical that the server says is finished, and are asked about no more', async () => {
    post.mockResolvedValueOnce({ data: { stored: 1, finished: true }, response: new Response() })
    const taps = setUp()
    await taps.open(view())
    expect(taps.finished.value).toBe(false)
    await taps.tap('report', { number: 3 })
    expect(taps.finished.value).toBe(true)
    await taps.settled()
    says.mockClear()
    await taps.attend(true)
    await vi.advanceTimersByTimeAsync(5000)
    expect(says).not.toHaveBeenCalled()
    expect(taps.taps.value.map((t) => t.kind)).toEqual(['report'])
  })

  it('of another device end it too', async () => {
    const taps = setUp()
    await taps.open(view())
    taps.news([{ id: 'z', device: 'other', seq: 1, atMs: 900, kind: 'finish', data: {} } as Tap])
    expect(taps.finished.value).toBe(true)
  })

  it('of another device come in once, and are asked about once', async () => {
    const taps = setUp()
    await taps.open(view())
    const other = { id: 'y', device: 'hand', seq: 1, atMs: 500, kind: 'report', data: { number: 8 } } as Tap
    taps.news([other])
    taps.news([other])
    expect(taps.taps.value).toEqual([other])
    await vi.advanceTimersByTimeAsync(10_000)
    expect(says).toHaveBeenCalledTimes(1)
    expect(taps.unscored.value).toBe(0)
  })

  it('that nobody can count now keep what was said last, say how many they are, and are asked about again', async () => {
    post.mockResolvedValueOnce(stored(1)).mockImplementation(dead)
    const taps = setUp()
    await taps.open(view())
    await taps.tap('report', { number: 3 })
    says.mockImplementation(dead)
    const before = taps.progress.value
    await taps.tap('report', { number: 4 })
    await taps.tap('report', { number: 5 })
    await vi.advanceTimersByTimeAsync(5000)
    expect(taps.progress.value).toBe(before)
    expect(taps.unscored.value).toBe(2)
    expect(taps.waiting.value).toBe(2)
    says.mockImplementation(async (all) => soFar(all))
    await vi.advanceTimersByTimeAsync(2000)
    expect(taps.unscored.value).toBe(0)
  })

  it('that an answer left out, because they were on their way, are asked about again', async () => {
    post.mockResolvedValue(stored(1))
    const taps = setUp()
    await taps.open(view())
    says.mockImplementationOnce(async () => soFar([]))
    await taps.tap('report', { number: 3 })
    await taps.settled()
    expect(taps.unscored.value).toBe(0)
    expect(says).toHaveBeenCalledTimes(2)
  })
})

it('a device keeps its name', () => {
  const box = new Map<string, string>()
  const fake = {
    getItem: (k: string) => box.get(k) ?? null,
    setItem: (k: string, v: string) => void box.set(k, v),
  }
  expect(deviceName(fake)).toBe(deviceName(fake))
})
