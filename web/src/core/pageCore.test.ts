import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { serverRules } from '@/api/rules'
import {
  answered,
  byOtherRules,
  forgetPageCore,
  OLDER_SERVER,
  startPageCore,
  type Asked,
  type Port,
} from './pageCore'

const get = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => ({ api: { GET: get }, ask: (p: Promise<unknown>) => p }))

/** A worker that answers as told. */
function worker(says: (asked: Asked) => object | undefined, version = 'rules-1') {
  const heard: Record<string, (e: unknown) => void> = {}
  const port: Port = {
    addEventListener: ((kind: string, on: (e: unknown) => void) => {
      heard[kind] = on
      if (kind === 'message') queueMicrotask(() => on({ data: { version } }))
    }) as Port['addEventListener'],
    postMessage: (asked: Asked) => {
      const told = asked.ask === 'know' ? { said: undefined } : says(asked)
      if (told) queueMicrotask(() => heard['message']!({ data: { id: asked.id, ...told } }))
    },
  }
  return { port, fail: () => heard['error']!({}) }
}
const down = { status: 0, code: 'no-answer' }

beforeEach(() => {
  get.mockReset().mockResolvedValue({ ofSchool: 'by-seconds' })
  serverRules.value = 'rules-1'
})
afterEach(forgetPageCore)

describe('a question of a draft', () => {
  it('is the server’s while nothing is loaded', async () => {
    expect(await answered('check', {}, async () => 'server')).toBe('server')
  })
  it('is answered in the page by the same rules, without the server', async () => {
    await startPageCore(() => worker(({ ask, body }) => ({ said: { ask, body } })).port)
    const server = vi.fn()
    expect(await answered('check', { a: 1 }, server)).toEqual({ ask: 'check', body: { a: 1 } })
    expect(server).not.toHaveBeenCalled()
    expect(byOtherRules.value).toBeUndefined()
  })
  it('is the server’s where its rules are others, and the page’s only while it cannot be reached', async () => {
    await startPageCore(() => worker(() => ({ said: { by: 'page' } })).port)
    serverRules.value = 'rules-2'
    expect(await answered('check', {}, async () => 'server')).toBe('server')
    expect(await answered('check', {}, () => Promise.reject(down))).toEqual({ by: 'page' })
    expect(byOtherRules.value).toBe('older')
    expect(await answered('check', {}, async () => 'server')).toBe('server')
    expect(byOtherRules.value).toBeUndefined()
    const refused = { status: 422, code: 'invalid' }
    await expect(answered('check', {}, () => Promise.reject(refused))).rejects.toBe(refused)
  })
  it('is not said to be by older rules for a question put before the server answered another', async () => {
    const { port } = worker(() => ({ said: { by: 'page' } }))
    await startPageCore(() => port)
    serverRules.value = 'rules-2'
    let fail: (why: unknown) => void
    const early = answered('lines', {}, () => new Promise((_, reject) => (fail = reject)))
    expect(await answered('check', {}, async () => 'server')).toBe('server')
    fail!(down)
    expect(await early).toEqual({ by: 'page' })
    expect(byOtherRules.value).toBeUndefined()
    expect(await answered('check', {}, () => Promise.reject(down))).toEqual({ by: 'page' })
    expect(byOtherRules.value).toBe('older')
    serverRules.value = 'rules-1'
    expect(await answered('check', {}, () => Promise.reject(down))).toEqual({ by: 'page' })
    expect(byOtherRules.value).toBeUndefined()
  })
  it('is the page’s where an older server cannot answer it, and told so', async () => {
    await startPageCore(() => worker(() => ({ said: { by: 'page' } })).port)
    serverRules.value = 'rules-0'
    expect(await answered('see', {}, () => Promise.reject(OLDER_SERVER))).toEqual({ by: 'page' })
    expect(byOtherRules.value).toBe('newer')
  })
  it.each([
    ['refuses', { said: { faults: [{ field: 'depth' }] } }],
    ['does not know', { failed: 'nothing is known' }],
  ])('is the server’s where the page %s', async (_, told) => {
    await startPageCore(() => worker(() => told).port)
    expect(await answered('mend', {}, async () => 'server')).toBe('server')
    await expect(answered('mend', {}, () => Promise.reject(down))).rejects.toBe(down)
  })
  it('is the server’s where the page may not know what it is about', async () => {
    await startPageCore(() => worker(() => ({ said: { by: 'page' } })).port)
    expect(await answered('check', {}, async () => 'server', { mayKnow: false })).toBe('server')
  })
  it('is the server’s once the worker has failed, also one that was under way', async () => {
    const { port, fail } = worker(() => undefined)
    await startPageCore(() => port)
    const asked = answered('check', {}, async () => 'server')
    await Promise.resolve()
    fail()
    expect(await asked).toBe('server')
    expect(await answered('check', {}, async () => 'server')).toBe('server')
  })
  it('is the server’s where the worker hangs, and another worker is not waited for', async () => {
    const { port } = worker(() => undefined)
    const terminate = vi.fn()
    await startPageCore(() => ({ ...port, terminate }))
    vi.useFakeTimers()
    try {
      const asked = answered('check', {}, async () => 'server')
      await vi.advanceTimersByTimeAsync(9_000)
      expect(terminate).not.toHaveBeenCalled()
      await vi.advanceTimersByTimeAsync(2_000)
      expect(await asked).toBe('server')
      expect(terminate).toHaveBeenCalledOnce()
      expect(await answered('check', {}, async () => 'server again')).toBe('server again')
    } finally {
      vi.useRealTimers()
    }
  })
  it('waits behind one that may take a minute, and while the worker is still being loaded', async () => {
    const late: (() => void)[] = []
    const heard: Record<string, (e: unknown) => void> = {}
    const terminate = vi.fn()
    const port: Port = {
      terminate,
      addEventListener: ((kind: string, on: (e: unknown) => void) =>
        (heard[kind] = on)) as Port['addEventListener'],
      postMessage: ({ id, ask }: Asked) =>
        void late.push(() => heard['message']!({ data: { id, said: ask === 'know' ? undefined : { ask } } })),
    }
    vi.useFakeTimers()
    try {
      void startPageCore(() => port)
      await vi.advanceTimersByTimeAsync(40_000)
      heard['message']!({ data: { version: 'rules-1' } })
      late.shift()!()
      await vi.advanceTimersByTimeAsync(0)
      const fit = answered('fit', {}, () => Promise.reject(down), { long: true })
      await vi.advanceTimersByTimeAsync(0)
      const check = answered('check', {}, async () => 'server')
      await vi.advanceTimersByTimeAsync(60_000)
      late.shift()!()
      await vi.advanceTimersByTimeAsync(9_000)
      late.shift()!()
      expect([await fit, await check]).toEqual([{ ask: 'fit' }, { ask: 'check' }])
      expect(terminate).not.toHaveBeenCalled()
    } finally {
      vi.useRealTimers()
    }
  })
  it('is the server’s where it may take long, and the page’s while that cannot be reached', async () => {
    await startPageCore(() => worker(() => ({ said: { by: 'page' } })).port)
    expect(await answered('fit', {}, async () => 'server', { long: true })).toBe('server')
    expect(await answered('fit', {}, () => Promise.reject(down), { long: true })).toEqual({ by: 'page' })
    expect(byOtherRules.value).toBeUndefined()
  })
  it('is the server’s while the page is told anew what there is to know', async () => {
    const { port } = worker(() => ({ said: { by: 'page' } }))
    await startPageCore(() => port)
    const again = startPageCore()
    expect(await answered('check', {}, async () => 'server')).toBe('server')
    await again
    expect(await answered('check', {}, async () => 'server')).toEqual({ by: 'page' })
  })
  it('is the page’s, as it knew the school, where it cannot be told anew for a dead network; and told once that is back', async () => {
    const { port } = worker(() => ({ said: { by: 'page' } }))
    await startPageCore(() => port)
    get.mockRejectedValue(down)
    const again = startPageCore()
    expect(await answered('check', {}, () => Promise.reject(down))).toEqual({ by: 'page' })
    await again
    expect(await answered('check', {}, () => Promise.reject(down))).toEqual({ by: 'page' })
    get.mockReset().mockResolvedValue({ ofSchool: 'by-minutes' })
    expect(await answered('check', {}, async () => 'server')).toBe('server')
    await vi.waitFor(async () =>
      expect(await answered('check', {}, async () => 'server')).toEqual({ by: 'page' }),
    )
    expect(get).toHaveBeenCalledTimes(1)
  })
  it('is the server’s where what is known of the school could not be heard', async () => {
    get.mockRejectedValue(down)
    await startPageCore(() => worker(() => ({ said: { by: 'page' } })).port)
    expect(await answered('check', {}, async () => 'server')).toBe('server')
  })
})
