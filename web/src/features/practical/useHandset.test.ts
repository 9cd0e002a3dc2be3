import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, nextTick, type EffectScope } from 'vue'
import { useHandset } from './useHandset'

const calls = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn() }))
vi.mock('@/api/client', async (original) => ({ ...(await original<object>()), api: calls }))

const status = (n: number) => ({ response: new Response(null, { status: n }) })
const dead = () => Promise.reject(new TypeError('network'))
let scope: EffectScope
const open = () => scope.run(() => useHandset('abc'))!
const wait = (ms: number) => vi.advanceTimersByTimeAsync(ms)
const sent = () => calls.POST.mock.calls.map((c) => c[1].body)

beforeEach(() => {
  vi.useFakeTimers()
  localStorage.clear()
  calls.GET.mockReset().mockResolvedValue(status(204))
  calls.POST.mockReset().mockResolvedValue(status(204))
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

it('says a number at once', async () => {
  const handset = open()
  await wait(0)
  expect(handset.on.value).toBe(true)
  await handset.say({ number: 6 }, '6')
  expect(sent()).toMatchObject([{ number: 6, seq: 1, agoMs: 0 }])
  expect(handset.last.value).toBe('6')
  expect(handset.waiting.value).toBe(0)
})

it('keeps what the network did not take, with how long ago it was, in order', async () => {
  calls.POST.mockImplementation(dead)
  const handset = open()
  await handset.say({ number: 6 }, '6')
  await wait(30_000)
  await handset.say({ word: 'too-much' }, 'too much')
  expect(handset.waiting.value).toBe(2)
  expect(handset.lost.value).toBe(true)
  calls.POST.mockReset().mockResolvedValue(status(204))
  await wait(2000)
  expect(sent().map((s) => s.seq)).toEqual([1, 2])
  expect(sent()[0].agoMs).toBeGreaterThanOrEqual(30_000)
  expect(sent()[1].agoMs).toBeLessThan(5000)
})

it('a phone that was put away still has it when it is taken up again', async () => {
  calls.POST.mockImplementation(dead)
  await open().say({ number: 2 }, '2')
  await nextTick()
  scope.stop()
  scope = effectScope()
  calls.POST.mockReset().mockResolvedValue(status(204))
  open()
  await wait(2000)
  expect(sent()).toMatchObject([{ number: 2, seq: 1 }])
})

it('ends with the practical, and one that the server refuses does not hold up the rest', async () => {
  const handset = open()
  calls.POST.mockResolvedValueOnce(status(422))
  await handset.say({ number: 2 }, '2')
  await handset.say({ number: 3 }, '3')
  expect(handset.waiting.value).toBe(0)
  calls.GET.mockResolvedValue(status(404))
  await wait(5100)
  expect(handset.on.value).toBe(false)
})
