import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { useLine } from '@/parts/useLine'

/** A browser's stream, its locks and its channels, as far as the line needs them. */
class Source {
  static all: Source[] = []
  static readonly CLOSED = 2
  readyState = 1
  onerror?: () => void
  heard = new Map<string, (e: { data: string }) => void>()
  constructor(readonly url: string) {
    Source.all.push(this)
  }
  addEventListener(name: string, f: (e: { data: string }) => void) {
    this.heard.set(name, f)
  }
  say(name: string, data: unknown) {
    this.heard.get(name)!({ data: JSON.stringify(data) })
  }
  close() {
    this.readyState = 2
  }
}
class Channel {
  static all: Channel[] = []
  onmessage?: (e: { data: unknown }) => void
  constructor(readonly name: string) {
    Channel.all.push(this)
  }
  postMessage(data: unknown) {
    for (const c of Channel.all) if (c !== this && c.name === this.name) c.onmessage?.({ data })
  }
  close() {
    Channel.all = Channel.all.filter((c) => c !== this)
  }
}
function locks() {
  const queues = new Map<string, Promise<unknown>>()
  return {
    request: (name: string, o: { signal: AbortSignal }, hold: () => Promise<void>) => {
      const mine = (queues.get(name) ?? Promise.resolve()).then(() => (o.signal.aborted ? undefined : hold()))
      queues.set(name, mine)
      return mine
    },
  }
}
const open = () => Source.all.filter((s) => s.readyState !== Source.CLOSED)
const flush = () => vi.advanceTimersByTimeAsync(0)
let scopes: EffectScope[]
function tab() {
  const scope = effectScope()
  scopes.push(scope)
  const seen: unknown[] = []
  const line = scope.run(() => useLine('/x/live', (s) => seen.push(s)))!
  return { scope, seen, line }
}

beforeEach(() => {
  vi.useFakeTimers()
  Source.all = []
  Channel.all = []
  scopes = []
  vi.stubGlobal('EventSource', Source)
  vi.stubGlobal('BroadcastChannel', Channel)
  vi.stubGlobal('navigator', { locks: locks() })
})
afterEach(() => {
  scopes.forEach((s) => s.stop())
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

it('is one for all tabs of a browser, and each hears', async () => {
  const [a, b] = [tab(), tab()]
  await flush()
  expect(open()).toHaveLength(1)
  open()[0]!.say('state', { n: 1 })
  expect(a.seen).toEqual([{ n: 1 }])
  expect(b.seen).toEqual([{ n: 1 }])
})

it('goes over to another tab when the one that held it closes', async () => {
  const [a, b] = [tab(), tab()]
  await flush()
  a.scope.stop()
  await flush()
  expect(open()).toHaveLength(1)
  open()[0]!.say('state', { n: 2 })
  expect(b.seen).toEqual([{ n: 2 }])
})

it('says in every tab that it is lost, and opens anew where the browser gave up', async () => {
  const [a, b] = [tab(), tab()]
  await flush()
  const first = open()[0]!
  first.close()
  first.onerror!()
  expect([a.line.lost.value, b.line.lost.value]).toEqual([true, true])
  await vi.advanceTimersByTimeAsync(1000)
  expect(open()).toHaveLength(1)
  open()[0]!.say('state', {})
  expect([a.line.lost.value, b.line.lost.value]).toEqual([false, false])
})

it('takes silence for a lost line, and a sign of life for none', async () => {
  const a = tab()
  await flush()
  for (let i = 0; i < 4; i++) {
    await vi.advanceTimersByTimeAsync(15_000)
    open()[0]!.say('beat', '')
  }
  expect(a.line.lost.value).toBe(false)
  expect(Source.all).toHaveLength(1)
  await vi.advanceTimersByTimeAsync(46_000)
  expect(a.line.lost.value).toBe(true)
  expect(Source.all).toHaveLength(2)
})
