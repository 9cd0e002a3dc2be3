import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import type { Schema } from '@/api/client'
import { deviceName, type Tap, type TapStore } from './queue'
import { useTaps } from './useTaps'

const post = vi.hoisted(() => vi.fn())
const get = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', async (original) => ({
  ...(await original<object>()),
  api: { POST: post, GET: get },
}))

const PRACTICAL = '0123456789'
let scope: EffectScope
let kept: Map<string, Tap>
const store: TapStore = {
  all: async () => [...kept.values()],
  put: async (_, t) => void kept.set(t.id, t),
  remove: async (_, ids) => ids.forEach((id) => kept.delete(id)),
}
const view = (events: Tap[] = [], elapsedMs = 0) =>
  ({ elapsedMs, events, finished: false }) as unknown as Schema['PracticalView']
const stored = (n: number) => ({ data: { stored: n, finished: false }, response: new Response() })
const dead = () => Promise.reject(new TypeError('network'))
function setUp() {
  scope = effectScope()
  return scope.run(() => useTaps(PRACTICAL, store))!
}

beforeEach(() => {
  vi.useFakeTimers()
  post.mockReset()
  get.mockReset().mockResolvedValue({ data: { counted: 0, scores: {} }, response: new Response() })
  kept = new Map()
  localStorage.setItem('palm-device', 'dev')
})
afterEach(() => {
  scope?.stop()
  vi.useRealTimers()
})

describe('taps', () => {
  it('go to the browser’s own database first and leave it once the server has answered', async () => {
    post.mockImplementation(dead)
    const taps = setUp()
    await taps.open(view())
    await taps.attend(true)
    await taps.tap('report', { number: 3 })
    expect(kept.size).toBe(2) // the grader's eyes, and the report
    expect(taps.waiting.value).toBe(2)
    expect(taps.problem.value?.code).toBe('no-answer')
    post.mockResolvedValue(stored(2))
    await taps.flush()
    expect(kept.size).toBe(0)
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
    kept.set(left.id, left)
    post.mockResolvedValue(stored(2))
    const taps = setUp()
    await taps.open(view([], 1000))
    await taps.attend(true)
    await taps.flush()
    const sent = post.mock.calls.flatMap((c) => c[1].body.events as Tap[])
    expect(sent.map((t) => t.seq)).toEqual([7, 8])
    expect(sent[1]!.kind).toBe('attend')
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
    expect([...kept.values()].map((t) => t.kind)).toEqual(['report'])
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

  it('can be taken back one by one', async () => {
    post.mockResolvedValue(stored(1))
    const taps = setUp()
    await taps.open(view())
    await taps.tap('report', { number: 2 })
    const report = taps.taps.value.at(-1)!
    await taps.undo()
    expect(taps.taps.value.at(-1)).toMatchObject({ kind: 'undo', data: { ref: report.id } })
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

  it('end with the practical that the server says is finished, and the scores are asked for no more', async () => {
    post.mockResolvedValueOnce({ data: { stored: 1, finished: true }, response: new Response() })
    const taps = setUp()
    await taps.open(view())
    expect(taps.finished.value).toBe(false)
    await taps.tap('report', { number: 3 })
    expect(taps.finished.value).toBe(true)
    await vi.advanceTimersByTimeAsync(5000)
    expect(get).not.toHaveBeenCalled()
    await taps.attend(true)
    expect(taps.taps.value.map((t) => t.kind)).toEqual(['report'])
  })

  it('of another device end it too', async () => {
    const taps = setUp()
    await taps.open(view())
    taps.news([{ id: 'z', device: 'other', seq: 1, atMs: 900, kind: 'finish', data: {} } as Tap])
    expect(taps.finished.value).toBe(true)
  })

  it('of another device come in once, and the scores are asked for again', async () => {
    const taps = setUp()
    await taps.open(view())
    const other = { id: 'y', device: 'hand', seq: 1, atMs: 500, kind: 'report', data: { number: 8 } } as Tap
    taps.news([other])
    taps.news([other])
    expect(taps.taps.value).toEqual([other])
    get.mockResolvedValue({ data: { counted: 1, scores: { criteria: [] } }, response: new Response() })
    await vi.advanceTimersByTimeAsync(2100)
    expect(get).toHaveBeenCalledTimes(1)
    expect(taps.unscored.value).toBe(0)
    await vi.advanceTimersByTimeAsync(10_000)
    expect(get).toHaveBeenCalledTimes(1)
  })

  it('keep the last scores while the network is down, and say how many taps they do not count', async () => {
    post.mockResolvedValueOnce(stored(1)).mockImplementation(dead)
    get.mockResolvedValue({ data: { counted: 1, scores: { criteria: [] } }, response: new Response() })
    const taps = setUp()
    await taps.open(view())
    await taps.tap('report', { number: 3 })
    await vi.advanceTimersByTimeAsync(2100)
    const before = taps.scores.value
    await taps.tap('report', { number: 4 })
    await taps.tap('report', { number: 5 })
    await vi.advanceTimersByTimeAsync(5000)
    expect(taps.scores.value).toBe(before)
    expect(taps.unscored.value).toBe(2)
    expect(taps.waiting.value).toBe(2)
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
