import { useIntervalFn } from '@vueuse/core'
import { computed, onScopeDispose, readonly, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import type { AsksTaps, SoFar } from '@/core/askTaps'
import { byOtherRules } from '@/core/pageCore'
import { deviceName, indexedTaps, type Tap, type TapStore } from './queue'

type Kind = Tap['kind']
type Data = Partial<Tap['data']>

/** A pause longer than this without a tap, before a page opens again, was not watched. */
const AWAY_MS = 15_000
/** What the server says of a practical when a device joins it. */
type Opening = Pick<Schema['PracticalView'], 'elapsedMs' | 'events' | 'finished'> & Omit<SoFar, 'counted'>
/** How often it is asked again what the taps come to, where no answer counted them all. */
const AGAIN_MS = 2000
/** What is known before anything was heard. */
const NOTHING: SoFar = {
  counted: 0,
  progress: {
    counting: [],
    takenBack: {},
    had: [],
    begun: false,
    treated: false,
    rested: 0,
    coverDue: false,
    permissions: [],
    dues: [],
  },
}

/**
 * The taps of one practical: first into the browser's own database, then to the server, sent again until it answers. The clock
 * runs on from what the server said at opening and never backwards.
 *
 * @param says what they come to so far; without it that is what was said at opening
 */
export function useTaps(practical: string, store: TapStore = indexedTaps(), says?: AsksTaps) {
  const device = deviceName()
  const stored = shallowRef<Tap[]>([])
  const waiting = shallowRef<Tap[]>([])
  const soFar = shallowRef<SoFar>(NOTHING)
  /** Ids of the taps that the last answer counted. */
  const answered = shallowRef(new Set<string>())
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
  /** Taps that count, in order, as far as it was said. */
  const counting = computed(() => {
    const by = new Map(taps.value.map((t) => [t.id, t]))
    return soFar.value.progress.counting.flatMap((id) => by.get(id) ?? [])
  })

  /** Taps that no answer counted yet and that were not taken back since. */
  const fresh = computed(() => {
    const all = taps.value.filter((t) => !answered.value.has(t.id))
    const gone = new Set(all.map((t) => t.data.ref))
    return all.filter((t) => !gone.has(t.id))
  })
  /** The number of the client's that was written down last and waits to be counted: a key is answered before its sum is done. */
  const pressed = computed(() => fresh.value.findLast((t) => t.kind === 'report')?.data.number)

  let opened: Promise<void> = Promise.resolve()

  /** Whether the grader's eyes are on this table. */
  const watched = ref(false)
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
    // An older server does not say what the taps come to: that is asked for.
    soFar.value = (view.progress as typeof view.progress | undefined)
      ? { counted: view.events.length, scores: view.scores, run: view.run, progress: view.progress }
      : NOTHING
    answered.value = new Set(view.events.slice(0, soFar.value.counted).map((t) => t.id))
    finished.value = view.finished
    now.value = clock()
    opened = takeOver(view, clock())
    return opened
  }

  async function takeOver(view: Opening, at: number) {
    const there = new Set(view.events.map((e) => e.id))
    const kept = await store.all(practical).catch(() => [])
    const known = kept.filter((k) => there.has(k.tap.id) || (k.sent && view.finished))
    await store
      .remove(
        practical,
        known.map((k) => k.tap.id),
      )
      .catch(() => undefined)
    const left = kept.filter((k) => !known.includes(k))
    // Heard of without a network, the server shows less than it has.
    stored.value = [...stored.value, ...left.filter((k) => k.sent).map((k) => k.tap)]
    waiting.value = left.filter((k) => !k.sent).map((k) => k.tap)
    const heard = Math.max(0, ...taps.value.map((t) => t.atMs))
    newest = Math.max(newest, heard)
    seq = Math.max(0, ...taps.value.filter((t) => t.device === device).map((t) => t.seq))
    // A page that was closed without a word looked away when it was last heard of; the gap was not watched.
    const eyes = taps.value.filter((t) => t.kind === 'attend')
    const last = eyes.find((t) => t.atMs === Math.max(...eyes.map((e) => e.atMs)))
    if (!last?.data.on || view.finished) return void see()
    if (at - heard > AWAY_MS) await write('attend', { on: false }, heard)
    else if (last.device === device) watched.value = true
    void see()
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
    if (fresh.some((t) => t.kind === 'finish')) finished.value = true
    void see()
  }

  let seeing: Promise<void> | undefined
  let more = false
  /** Asks what the taps come to, where no answer counted them all, or by older rules than the server has; one question at a time, and the last taps are always asked about. */
  function see(): Promise<void> {
    if (seeing) {
      more = true
      return seeing
    }
    if (!says || gone || finished.value) return Promise.resolve()
    seeing = seeAll(says).finally(() => (seeing = undefined))
    return seeing
  }
  async function seeAll(says: AsksTaps) {
    do {
      more = false
      const all = [...stored.value, ...waiting.value]
      if (all.length <= soFar.value.counted && !byOtherRules.value) return
      try {
        const said = await says(all)
        soFar.value = said
        answered.value = new Set(all.slice(0, said.counted).map((t) => t.id))
      } catch {
        // Asked again with the next tap, and every so often.
      }
    } while (more && !gone && !finished.value)
  }
  /** Once it is known what the taps so far come to. */
  const settled = () => seeing ?? Promise.resolve()

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
    void see()
    // A browser without room still sends; the count of unsent taps tells.
    await store.put(practical, [{ tap }]).catch(() => undefined)
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
    finished.value = answer.finished
    void see()
    await store
      .put(
        practical,
        batch.map((tap) => ({ tap, sent: true })),
      )
      .catch(() => undefined)
  }

  /** Takes back the newest tap of this device that counts or was not counted yet, and never where the eyes are. */
  async function undo() {
    await settled()
    const gone = new Set(taps.value.filter((t) => !answered.value.has(t.id)).map((t) => t.data.ref))
    const mine = [...counting.value, ...fresh.value].filter(
      (t) => t.device === device && !['attend', 'undo'].includes(t.kind) && !gone.has(t.id),
    )
    const last = mine.reduce<Tap | undefined>((a, b) => (a && a.seq > b.seq ? a : b), undefined)
    if (last) await tap('undo', { ref: last.id })
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
  const seen = useIntervalFn(() => void see(), AGAIN_MS)
  window.addEventListener('online', flush)
  onScopeDispose(() => {
    gone = true
    tick.pause()
    again.pause()
    seen.pause()
    window.removeEventListener('online', flush)
  })

  return {
    device,
    taps,
    waiting: computed(() => waiting.value.length),
    counting,
    pressed,
    progress: computed(() => soFar.value.progress),
    run: computed(() => soFar.value.run),
    scores: computed(() => soFar.value.scores),
    unscored: computed(() => Math.max(0, taps.value.length - soFar.value.counted)),
    settled,
    refused: computed(() => refused.value.length),
    refusal: readonly(refusal),
    problem: readonly(problem),
    finished: readonly(finished),
    now: readonly(now),
    watched: readonly(watched),
    attend,
    news,
    open,
    tap,
    undo,
    takeBack,
    correct,
    flush,
  }
}
