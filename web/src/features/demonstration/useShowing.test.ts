import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { useShowing } from './useShowing'

const calls = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn() }))
vi.mock('@/api/client', async (original) => ({ ...(await original<object>()), api: calls }))

const progress = (current: number, finished = false) => ({
  current,
  startedAt: 0,
  words: 'on time',
  finished,
})
const answer = (current: number, finished = false) => ({
  data: { id: 'x', elapsedSeconds: 10, spans: [{}, {}], progress: progress(current, finished) },
  response: new Response(),
})
let scope: EffectScope
const flush = () => vi.advanceTimersByTimeAsync(0)

beforeEach(() => {
  vi.useFakeTimers()
  calls.GET.mockReset().mockResolvedValue(answer(-1))
  calls.POST.mockReset().mockResolvedValue(answer(0))
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

it('goes through the steps and ends after the last', async () => {
  const show = scope.run(() => useShowing('x'))!
  await flush()
  show.next()
  expect(show.here.value?.index).toBe(0)
  show.next()
  show.next()
  expect(show.here.value?.finished).toBe(true)
  show.next()
  await flush()
  const marks = calls.POST.mock.calls.map((c) => [c[1].body.what, c[1].body.index])
  expect(marks).toEqual([
    ['started', 0],
    ['started', 1],
    ['finished', 1],
  ])
})

it('keeps a mark that the server did not answer, and sends the same one again', async () => {
  const show = scope.run(() => useShowing('x'))!
  await flush()
  calls.POST.mockRejectedValueOnce(new TypeError('network'))
  show.next()
  await flush()
  expect(show.waiting.value).toBe(1)
  expect(show.here.value?.index).toBe(0)
  await vi.advanceTimersByTimeAsync(3000)
  expect(show.waiting.value).toBe(0)
  const [first, second] = calls.POST.mock.calls.map((c) => c[1].body)
  expect(second).toEqual(first)
})

it('reads the clock and does not count ticks', async () => {
  const show = scope.run(() => useShowing('x'))!
  await flush()
  await vi.advanceTimersByTimeAsync(1000)
  expect(show.now.value).toBeCloseTo(11, 0)
  vi.advanceTimersByTime(0)
  vi.setSystemTime(Date.now() + 60_000) // the wall clock is set: the demonstration does not care
  await vi.advanceTimersByTimeAsync(1000)
  expect(show.now.value).toBeCloseTo(12, 0)
})
