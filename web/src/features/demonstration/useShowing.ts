import { useIntervalFn } from '@vueuse/core'
import { computed, readonly, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'

/** How often a clock is read: what it shows is never further off than this. */
export const TICK_MS = 50

type View = Schema['DemonstrationView']
type Live = Schema['Progress'] & Omit<Schema['LiveView'], 'progress'>
type Mark = Schema['SentMark']

/**
 * A demonstration that runs. The clock reads time and never counts ticks, so a frozen page is right again at once; marks that
 * the server has not answered yet are kept and sent again.
 */
export function useShowing(id: string) {
  const view = shallowRef<View>()
  const live = shallowRef<Live>()
  const refit = shallowRef<Schema['Refit']>()
  const problem = ref<Problem>()
  const waiting = ref<Mark[]>([])
  const now = ref(0)
  let base = 0
  let read = 0
  let sending = false
  /** How many marks were made: an answer to a question asked before the last is out of date. */
  let made = 0
  /** How many there were when the offer that is shown was made. */
  let offered = 0
  /** What was pressed last, shown before the server has answered. */
  const here = ref<{ index: number; at: number; paused: boolean; finished: boolean }>()

  const clock = () => base + (performance.now() - read) / 1000
  const path = { path: { id } }
  /** This device's clock is the demonstration's: the server is told what it says. */
  const at = () => ({ ...path, query: { at: clock() } })

  function take({ progress, ...told }: Schema['LiveView']) {
    const l = { ...progress, ...told }
    live.value = l
    if (waiting.value.length === 0)
      here.value = { index: l.current, at: l.startedAt, paused: l.paused, finished: l.finished }
    now.value = clock()
  }
  async function again() {
    const then = made
    try {
      const answer = await ask(
        api.GET('/api/demonstrations/{id}', { params: view.value ? at() : { ...path } }),
      )
      if (view.value && then !== made) return
      if (!view.value) {
        base = answer.live.elapsedSeconds
        read = performance.now()
      }
      view.value = answer
      take(answer.live)
      problem.value = undefined
      await offer()
    } catch (e) {
      problem.value = e as Problem
    }
  }
  /** Asks what would have to go to end on time. */
  async function offer() {
    const l = live.value
    const then = made
    const answer =
      l && !l.finished && l.endsAt > l.slotEndsAt
        ? await ask(api.GET('/api/demonstrations/{id}/refit', { params: at() }))
        : undefined
    if (then !== made) return
    refit.value = answer
    offered = made
  }
  async function flush() {
    if (sending) return
    sending = true
    try {
      while (waiting.value[0]) {
        const mark = waiting.value[0]
        const answer = await ask(api.POST('/api/demonstrations/{id}/marks', { params: path, body: mark }))
        waiting.value = waiting.value.slice(1)
        take(answer)
      }
      problem.value = undefined
    } catch (e) {
      const p = e as Problem
      // What the server refuses will be refused again; what it never saw is kept.
      if (p.status >= 400 && p.status < 500 && p.status !== 401) waiting.value = waiting.value.slice(1)
      problem.value = p
      return
    } finally {
      sending = false
    }
    // Not while sending: the next mark does not wait for it.
    await offer().catch(() => undefined)
  }
  function mark(what: NonNullable<Mark['what']>, index: number, more: Partial<Mark> = {}) {
    made++
    const atSeconds = Math.round(clock() * 1000) / 1000
    waiting.value = [...waiting.value, { id: crypto.randomUUID(), what, index, atSeconds, ...more }]
    void flush()
    return atSeconds
  }
  useIntervalFn(() => (now.value = clock()), TICK_MS)
  useIntervalFn(() => void (waiting.value.length ? flush() : again()), 3000)
  void again()

  const order = computed(() => live.value?.order ?? [])
  /** What comes after the stint that is on, in the order that the server knows. */
  const ahead = computed(() => {
    const on = here.value?.index ?? -1
    if (!live.value || here.value?.finished) return []
    let to =
      on >= 0 && order.value.includes(on) ? order.value.slice(order.value.indexOf(on) + 1) : live.value.ahead
    for (const m of waiting.value) {
      if (m.what !== 'parked' && m.what !== 'skipped') continue
      to = to.filter((i) => i !== m.index)
      if (m.what === 'parked') to.push(m.index!)
    }
    return to
  })
  function start(index: number) {
    here.value = { index, at: mark('started', index), paused: false, finished: false }
  }
  function next() {
    if (!live.value || !here.value || here.value.finished) return
    const to = ahead.value[0]
    if (to !== undefined) start(to)
    else
      here.value = {
        index: -1,
        at: mark('finished', Math.max(0, here.value.index)),
        paused: false,
        finished: true,
      }
  }
  function back() {
    if (!here.value || !live.value) return
    const place = here.value.finished ? order.value.length : order.value.indexOf(here.value.index)
    const to = order.value[place - 1]
    if (to !== undefined) start(to)
  }
  function pause() {
    if (!here.value || here.value.index < 0) return
    const paused = !here.value.paused
    mark(paused ? 'paused' : 'resumed', here.value.index)
    here.value = { ...here.value, paused }
  }
  const later = () => ahead.value[0] !== undefined && mark('parked', ahead.value[0])
  const skip = (reason?: string) =>
    ahead.value[0] !== undefined && mark('skipped', ahead.value[0], { reason })
  /** Takes the offer; one that was made before the last mark is made again first. */
  async function shorten() {
    if (offered !== made) await offer().catch(() => undefined)
    if (offered !== made) return
    if (refit.value?.needed && refit.value.found)
      mark('refitted', Math.max(0, here.value?.index ?? 0), { seconds: refit.value.seconds })
  }
  return {
    view,
    live,
    refit,
    problem: readonly(problem),
    here: readonly(here),
    now: readonly(now),
    waiting: computed(() => waiting.value.length),
    ahead,
    order,
    again,
    next,
    back,
    pause,
    later,
    skip,
    shorten,
    go: start,
  }
}
