import { useIntervalFn } from '@vueuse/core'
import { computed, onScopeDispose, readonly, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { deviceName, indexedTaps, type Tap, type TapStore } from './queue'
import { lastTap, live } from './run'

type Kind = Tap['kind']
type Data = Partial<Tap['data']>

/** A pause longer than this without a tap, before a page opens again, was not watched. */
const AWAY_MS = 15_000
/** What the server says of a practical when a device joins it. */
type Opening = Pick<Schema['PracticalView'], 'elapsedMs' | 'events' | 'finished'> & {
  scores?: Schema['ScoreView']
}
/** How often scores so far are asked for while taps come. */
const SCORES_MS = 2000

/**
 * The taps of one practical: first into the browser's own database, then to the server, sent again until it answers. The clock
 * runs on from what the server said at opening and never backwards.
 *
 * @param scored whether scores so far are asked for; an observer is told none
 */
export function useTaps(practical: string, store: TapStore = indexedTaps(), scored = true) {
  const device = deviceName()
  const stored = shallowRef<Tap[]>([])
  const waiting = shallowRef<Tap[]>([])
  const scores = shallowRef<Schema['ScoreView']>()
  const scoredTaps = ref(0)
  const finished = ref(false)
  const problem = ref<Problem>()
  const refused = shallowRef<Tap[]>([])
  const refusal = ref<Problem>()
  const now = ref(0)
  let base = 0
  let read = 0
  let newest = 0
  let seq = 0
  let sending: Promise<void> | undefined
  let gone = false

  const clock = () => Math.max(newest, Math.round(base + performance.now() - read))
  const taps = computed(() => [...stored.value, ...refused.value, ...waiting.value])

  let opened: Promise<void> = Promise.resolve()

  /** Whether the grader's eyes are on this table. */
  const watched = ref(false)
  /** Whether the scores do not count everything that is stored. */
  let behind = false

  /**
   * Takes over what the server has and what an earlier visit left unsent.
   *
   * @param agoMs how long ago the server said so
   */
  function open(view: Opening, agoMs = 0) {
    base = view.elapsedMs + agoMs
    read = performance.now()
    stored.value = view.events
    newest = Math.max(0, ...view.events.map((t) => t.atMs))
    scores.value = view.scores
    scoredTaps.value = view.events.length
    finished.value = view.finished
    now.value = clock()
    opened = takeOver(view, clock())
    return opened
  }

  async function takeOver(view: Opening, at: number) {
    const there = new Set(view.events.map((e) => e.id))
    const left = await store.all(practical).catch(() => [])
    const known = left.filter((t) => there.has(t.id)).map((t) => t.id)
    await store.remove(practical, known).catch(() => undefined)
    waiting.value = left.filter((t) => !there.has(t.id))
    const heard = Math.max(0, ...taps.value.map((t) => t.atMs))
    newest = Math.max(newest, heard)
    seq = Math.max(0, ...taps.value.filter((t) => t.device === device).map((t) => t.seq))
    // A page that was closed without a word looked away when it was last heard of; the gap was not watched.
    const last = live(taps.value).findLast((t) => t.kind === 'attend')
    if (!last?.data.on || view.finished) return
    if (at - heard > AWAY_MS) await write('attend', { on: false }, heard)
    else if (last.device === device) watched.value = true
  }

  /** The grader looks at this table, or away. */
  async function attend(on: boolean) {
    if (watched.value === on) return
    watched.value = on
    if (!finished.value || !on) await tap('attend', { on })
  }

  /** What other devices wrote. */
  function news(events: Tap[]) {
    const known = new Set(taps.value.map((t) => t.id))
    const fresh = events.filter((e) => !known.has(e.id))
    if (fresh.length === 0) return
    stored.value = [...stored.value, ...fresh]
    newest = Math.max(newest, ...fresh.map((t) => t.atMs))
    behind = true
    if (fresh.some((t) => t.kind === 'finish')) finished.value = true
  }

  let scoring = false
  /** Asks what it comes to so far, when something is stored that was not counted. */
  async function score() {
    if (!scored || !behind || scoring || gone || finished.value) return
    scoring = true
    behind = false
    try {
      const answer = await ask(
        api.GET('/api/practicals/{id}/scores', { params: { path: { id: practical } } }),
      )
      scores.value = answer.scores
      scoredTaps.value = answer.counted
    } catch {
      behind = true
    } finally {
      scoring = false
    }
  }

  /** Writes a tap down at once. What is tapped while the page still opens keeps its moment and waits its turn. */
  async function tap(kind: Kind, data: Data = {}) {
    const atMs = clock()
    await opened
    await write(kind, data, atMs)
    await flush()
  }

  async function write(kind: Kind, data: Data, atMs: number) {
    newest = Math.max(newest, atMs)
    seq++
    const tap: Tap = {
      id: `${device}-${practical.slice(0, 8)}-${seq}`,
      device,
      seq,
      atMs,
      wall: new Date().toISOString(),
      kind,
      data: data as Tap['data'],
    }
    waiting.value = [...waiting.value, tap]
    if (kind === 'finish') finished.value = true
    // A browser without room still sends; the count of unsent taps tells.
    await store.put(practical, tap).catch(() => undefined)
  }

  /** Sends what waits; who asks while something is being sent is answered when that and their own has been. */
  function flush(): Promise<void> {
    if (sending) return sending.then(() => (problem.value ? undefined : flush()))
    if (gone || waiting.value.length === 0) return Promise.resolve()
    sending = sendAll().finally(() => (sending = undefined))
    return sending
  }

  async function sendAll() {
    let oneByOne = false
    try {
      while (waiting.value.length > 0) {
        try {
          await send(oneByOne ? 1 : 500)
        } catch (e) {
          const p = e as Problem
          if (p.status !== 409 && p.status !== 422) throw p
          // One tap that cannot be meant must not hold up the others: find it, keep it here, say so.
          if (oneByOne || waiting.value.length === 1) {
            refused.value = [...refused.value, waiting.value[0]!]
            waiting.value = waiting.value.slice(1)
            refusal.value = p
          }
          oneByOne = true
        }
      }
      problem.value = undefined
    } catch (e) {
      problem.value = e as Problem
    }
  }

  async function send(most: number) {
    const batch = waiting.value.slice(0, most)
    const answer = await ask(
      api.POST('/api/practicals/{id}/events', {
        params: { path: { id: practical } },
        body: { events: batch },
      }),
    )
    const sent = new Set(batch.map((t) => t.id))
    stored.value = [...stored.value, ...batch]
    waiting.value = waiting.value.filter((t) => !sent.has(t.id))
    behind = true
    finished.value = answer.finished
    await store.remove(practical, [...sent]).catch(() => undefined)
  }

  function undo() {
    const last = lastTap(taps.value, device)
    if (last) return tap('undo', { ref: last.id })
  }
  /** Takes any tap back, or an undo of it. */
  const takeBack = (ref: string) => tap('undo', { ref })
  /** It was something else: the tap is taken back and written anew at its moment; both stay in the log. */
  async function correct(was: Tap, data: Data) {
    await opened
    await write('undo', { ref: was.id }, clock())
    await write(was.kind, data, was.atMs)
    await flush()
  }
  const tick = useIntervalFn(() => (now.value = clock()), 250)
  const again = useIntervalFn(() => void flush(), 1500)
  const soFar = useIntervalFn(() => void score(), SCORES_MS)
  window.addEventListener('online', flush)
  onScopeDispose(() => {
    gone = true
    tick.pause()
    again.pause()
    soFar.pause()
    window.removeEventListener('online', flush)
  })

  return {
    device,
    taps,
    waiting: computed(() => waiting.value.length),
    unscored: computed(() => Math.max(0, taps.value.length - scoredTaps.value)),
    scores: readonly(scores) as typeof scores,
    refused: computed(() => refused.value.length),
    refusal: readonly(refusal),
    problem: readonly(problem),
    finished: readonly(finished),
    now: readonly(now),
    watched: readonly(watched),
    attend,
    news,
    score,
    open,
    tap,
    undo,
    takeBack,
    correct,
    flush,
  }
}
