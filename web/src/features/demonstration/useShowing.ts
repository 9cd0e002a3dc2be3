import { computed, readonly, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { newAddress } from './newAddress'
import { useMarks } from './useMarks'

type View = Schema['DemonstrationView']
type Live = Schema['Progress'] & Omit<Schema['LiveView'], 'progress'>
type Mark = Schema['SentMark']

/** A demonstration that runs: what was pressed last is shown before the server has answered. */
export function useShowing(id: string) {
  const view = shallowRef<View>()
  const live = shallowRef<Live>()
  const refit = shallowRef<Schema['Refit']>()
  /** How many marks there were when the offer that is shown was made. */
  let offered = 0
  const here = ref<{
    index: number
    /** When it began, moved on by the time it stood still. */
    at: number
    paused: boolean
    /** Since when it stands still. */
    pausedAt?: number
    finished: boolean
  }>()

  const path = { path: { id } }
  const marks = useMarks<Mark, Schema['LiveView']>({
    send: (body) => ask(api.POST('/api/demonstrations/{id}/marks', { params: path, body })),
    take,
    idle: again,
    stored: offer,
  })
  const { problem, waiting } = marks
  /** This device's clock is the demonstration's: the server is told what it says. */
  const at = () => ({ ...path, query: { at: marks.clock() } })

  function take({ progress, ...told }: Schema['LiveView']) {
    const l = { ...progress, ...told }
    live.value = l
    if (waiting.value.length === 0)
      here.value = {
        index: l.current,
        at: l.startedAt,
        paused: l.paused,
        pausedAt: l.paused ? l.elapsedSeconds : undefined,
        finished: l.finished,
      }
  }
  async function again() {
    const then = marks.made()
    try {
      const answer = await ask(
        api.GET('/api/demonstrations/{id}', { params: view.value ? at() : { ...path } }),
      )
      if (view.value && then !== marks.made()) return
      if (!view.value) marks.set(answer.live.elapsedSeconds)
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
    const then = marks.made()
    const answer =
      l && !l.finished && l.endsAt > l.slotEndsAt
        ? await ask(api.GET('/api/demonstrations/{id}/refit', { params: at() }))
        : undefined
    if (then !== marks.made()) return
    refit.value = answer
    offered = marks.made()
  }
  const mark = (what: NonNullable<Mark['what']>, index: number, more: Partial<Mark> = {}) =>
    marks.mark({ what, index, ...more })
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
    const { index, at, pausedAt } = here.value
    const now = mark(pausedAt === undefined ? 'paused' : 'resumed', index)
    here.value =
      pausedAt === undefined
        ? { ...here.value, paused: true, pausedAt: now }
        : { ...here.value, paused: false, pausedAt: undefined, at: at + now - pausedAt }
  }
  const later = () => ahead.value[0] !== undefined && mark('parked', ahead.value[0])
  const skip = (reason?: string) =>
    ahead.value[0] !== undefined && mark('skipped', ahead.value[0], { reason })
  /** Takes the offer; one that was made before the last mark is made again first. */
  async function shorten() {
    if (offered !== marks.made()) await offer().catch(() => undefined)
    if (offered !== marks.made()) return
    if (refit.value?.needed && refit.value.found)
      mark('refitted', Math.max(0, here.value?.index ?? 0), { seconds: refit.value.seconds })
  }
  return {
    view,
    newAddress: () => newAddress(view, problem),
    live,
    refit,
    problem: readonly(problem),
    here: readonly(here),
    now: marks.now,
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
