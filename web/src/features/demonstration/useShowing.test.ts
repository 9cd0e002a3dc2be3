import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { useShowing } from './useShowing'

const calls = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn() }))
vi.mock('@/api/client', async (original) => ({ ...(await original<object>()), api: calls }))

const live = (current: number, more: object = {}) => ({
  elapsedSeconds: 10,
  token: [],
  progress: { ...standing(current), ...more },
})
const standing = (current: number) => ({
  current,
  startedAt: 0,
  paused: false,
  finished: false,
  words: 'on time',
  endsAt: 60,
  slotEndsAt: 60,
  order: [0, 1, 2],
  ahead: [0, 1, 2].slice(current + 1),
})
const answer = (data: object) => ({ data, response: new Response() })
const view = (l: object) => answer({ id: 'x', shown: { moments: [{}, {}, {}] }, live: l })
let scope: EffectScope
let show: ReturnType<typeof useShowing>
const flush = () => vi.advanceTimersByTimeAsync(0)
const marks = () => calls.POST.mock.calls.map((c) => [c[1].body.what, c[1].body.index] as [string, number])

beforeEach(async () => {
  vi.useFakeTimers()
  calls.GET.mockReset().mockResolvedValue(view(live(-1)))
  calls.POST.mockReset().mockResolvedValue(answer(live(0)))
  scope = effectScope()
  show = scope.run(() => useShowing('x'))!
  await flush()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

it('goes through the steps and ends after the last', async () => {
  for (let i = 0; i < 3; i++) {
    show.next()
    expect(show.here.value?.index).toBe(i)
  }
  show.next()
  expect(show.here.value?.finished).toBe(true)
  show.next()
  await flush()
  expect(marks()).toEqual([
    ['started', 0],
    ['started', 1],
    ['started', 2],
    ['finished', 2],
  ])
})

it('keeps a mark that the server did not answer, and sends the same one again', async () => {
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
  await vi.advanceTimersByTimeAsync(1000)
  expect(show.now.value).toBeCloseTo(11, 0)
  vi.setSystemTime(Date.now() + 60_000) // the wall clock is set: the demonstration does not care
  await vi.advanceTimersByTimeAsync(1000)
  expect(show.now.value).toBeCloseTo(12, 0)
})

it('does not fall back to an answer that was on its way when a mark was made', async () => {
  let old!: (v: unknown) => void
  calls.GET.mockReturnValueOnce(new Promise((done) => (old = done)))
  await vi.advanceTimersByTimeAsync(3000)
  show.next()
  await flush()
  old(view(live(-1)))
  await flush()
  expect(show.here.value?.index).toBe(0)
  expect(show.live.value?.current).toBe(0)
})

describe('while the server does not answer', () => {
  beforeEach(() => {
    calls.POST.mockRejectedValue(new TypeError('network'))
  })

  it('goes past what was skipped, and to what was put off last', async () => {
    show.next()
    show.skip('No time')
    show.next()
    expect(show.here.value?.index).toBe(2)
    await flush()
    expect(show.waiting.value).toBe(3)
  })

  it('puts off the next one to the end', () => {
    show.next()
    show.later()
    show.next()
    expect(show.here.value?.index).toBe(2)
    show.next()
    expect(show.here.value?.index).toBe(1)
  })

  it('stands still and goes on', () => {
    show.pause()
    expect(show.waiting.value).toBe(0)
    show.next()
    show.pause()
    expect(show.here.value?.paused).toBe(true)
    show.pause()
    expect(show.here.value?.paused).toBe(false)
    expect(show.waiting.value).toBe(3)
  })
})

describe('behind the slot', () => {
  const late = live(0, { endsAt: 300, slotEndsAt: 60 })
  const offer = { needed: true, found: true, words: 'drop 3: ends on time', seconds: [5, 5, 0] }

  it('asks for the offer by its own clock, and takes it as it was offered', async () => {
    calls.GET.mockImplementation(async (path: string) =>
      path.endsWith('/refit') ? answer(offer) : view(late),
    )
    await vi.advanceTimersByTimeAsync(3000)
    expect(show.refit.value).toEqual(offer)
    const asked = calls.GET.mock.calls.find((c) => c[0].endsWith('/refit'))!
    expect(asked[1].params.query.at).toBeCloseTo(13, 0)
    show.shorten()
    await flush()
    expect(calls.POST.mock.calls[0]![1].body).toMatchObject({ what: 'refitted', seconds: [5, 5, 0] })
  })

  it('does not keep a mark waiting while it asks', async () => {
    calls.POST.mockResolvedValue(answer(late))
    calls.GET.mockReturnValue(new Promise(() => undefined))
    show.next()
    await flush()
    show.next()
    await flush()
    expect(show.waiting.value).toBe(0)
    expect(marks()).toHaveLength(2)
  })

  it('asks for none while it ends on time', async () => {
    await vi.advanceTimersByTimeAsync(6000)
    expect(calls.GET.mock.calls.some((c) => c[0].endsWith('/refit'))).toBe(false)
  })
})

it('stands still at once when it is paused, whether or not the server has answered', async () => {
  calls.POST.mockRejectedValue(new TypeError('network'))
  show.next()
  await vi.advanceTimersByTimeAsync(4000)
  show.pause()
  await vi.advanceTimersByTimeAsync(60_000)
  const { at, pausedAt } = show.here.value!
  expect(pausedAt! - at).toBeCloseTo(4, 1)
  show.pause()
  await vi.advanceTimersByTimeAsync(5000)
  expect(show.here.value?.pausedAt).toBeUndefined()
  expect(show.now.value - show.here.value!.at).toBeCloseTo(9, 1)
})
