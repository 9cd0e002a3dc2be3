import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { useRound } from './useRound'

const calls = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn() }))
vi.mock('@/api/client', async (original) => ({ ...(await original<object>()), api: calls }))

const live = (leg: number, startedAt: number, more: object = {}) => ({
  round: 'r',
  elapsedSeconds: startedAt,
  standing: { leg, startedAt, paused: false, seconds: [10, 20], endsAt: 0, finished: false, ...more },
})
const answer = (data: object) => ({ data, response: new Response() })
let scope: EffectScope
let round: ReturnType<typeof useRound>
const wait = (ms: number) => vi.advanceTimersByTimeAsync(ms)
const sent = () => calls.POST.mock.calls.map((c) => c[1].body)

beforeEach(async () => {
  vi.useFakeTimers()
  calls.GET.mockReset().mockResolvedValue(
    answer({ id: 'x', round: { legs: [{ seconds: 10 }, { seconds: 20 }], tables: [] }, live: live(-1, 0) }),
  )
  // The server does not answer a mark unless a test lets it: what is pressed shows before.
  calls.POST.mockReset().mockRejectedValue(new TypeError('network'))
  scope = effectScope()
  round = scope.run(() => useRound('x'))!
  await wait(0)
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

it('begins at once and goes on by the clock', async () => {
  round.next()
  expect(round.place.value.leg).toBe(0)
  await wait(9900)
  expect(round.place.value.leg).toBe(0)
  await wait(200)
  expect(round.place.value.leg).toBe(1)
  await wait(20_000)
  expect(round.place.value.leg).toBe(2)
  expect(round.waiting.value).toBe(1)
})

it('stands still and goes on where it stood', async () => {
  round.next()
  await wait(4000)
  round.pause()
  await wait(30_000)
  expect(round.place.value.into).toBeCloseTo(4, 1)
  round.pause()
  await wait(5000)
  expect(round.place.value.into).toBeCloseTo(9, 1)
  expect(sent()[0]).toMatchObject({ what: 'started', leg: 0 })
})

it('a minute more belongs to the part that is on', async () => {
  round.next()
  await wait(2000)
  round.longer(60)
  await wait(60_000)
  expect(round.place.value.leg).toBe(0)
  await wait(8_100)
  expect(round.place.value.leg).toBe(1)
})

it('goes back, and ends after the last', async () => {
  round.next()
  round.next()
  expect(round.place.value.leg).toBe(1)
  round.back()
  expect(round.place.value.leg).toBe(0)
  round.next()
  round.next()
  expect(round.live.value?.standing.finished).toBe(true)
  calls.POST.mockResolvedValue(answer(live(2, 5, { finished: true })))
  await wait(3000)
  expect(new Set(sent().map((m) => m.id)).size).toBe(5)
  expect(sent().at(-1)).toMatchObject({ what: 'finished' })
  expect(round.waiting.value).toBe(0)
})

it('gives the class screen another address', async () => {
  calls.POST.mockResolvedValueOnce(answer({ code: 'n3w4d' }))
  await round.newAddress()
  expect(calls.POST.mock.calls[0]![0]).toBe('/api/screens')
  expect(round.view.value?.screen).toBe('n3w4d')
})
