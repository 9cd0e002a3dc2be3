import { computed, readonly, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { roundAt } from './round'
import { newAddress } from './newAddress'
import { useMarks } from './useMarks'

type Mark = Schema['SentRoundMark']
type Live = Schema['RoundLiveView']

/** A practice round that runs: all tables follow its clock. */
export function useRound(id: string) {
  const view = shallowRef<Schema['RoundView']>()
  const live = shallowRef<Live>()
  /** What was pressed and is not yet stored, as it will stand. */
  const pressed = ref<Live>()
  const path = { path: { id } }
  const marks = useMarks<Mark, Live>({
    send: (body) => ask(api.POST('/api/rounds/{id}/marks', { params: path, body })),
    take,
    idle: again,
  })
  const { problem, waiting, now } = marks

  function take(l: Live) {
    live.value = l
    if (waiting.value.length === 0) pressed.value = undefined
  }
  async function again() {
    const then = marks.made()
    try {
      const query = view.value ? { at: marks.clock() } : {}
      const answer = await ask(api.GET('/api/rounds/{id}', { params: { ...path, query } }))
      if (view.value && then !== marks.made()) return
      if (!view.value) marks.set(answer.live.elapsedSeconds)
      view.value = answer
      take(answer.live)
      problem.value = undefined
    } catch (e) {
      problem.value = e as Problem
    }
  }
  void again()

  const shown = computed(() => pressed.value ?? live.value)
  const place = computed(() => (shown.value ? roundAt(shown.value, now.value) : { leg: -1, into: 0 }))
  const legs = computed(() => view.value?.round.legs ?? [])

  /** Shows what was pressed before the server has answered. */
  function press(at: number, change: (s: Live['standing']) => Partial<Live['standing']>) {
    const l = shown.value
    if (!l) return
    pressed.value = {
      ...l,
      elapsedSeconds: at,
      standing: { ...l.standing, ...change(l.standing) },
    }
  }
  function go(leg: number) {
    if (leg >= legs.value.length) return finish()
    const at = marks.mark({ what: 'started', leg })
    press(at, () => ({ leg, startedAt: at, paused: false, finished: false }))
  }
  function finish() {
    const at = marks.mark({ what: 'finished' })
    press(at, (s) => ({ leg: s.seconds.length, startedAt: at, paused: false, finished: true }))
  }
  function pause() {
    const { leg, into } = place.value
    if (leg < 0 || leg >= legs.value.length || !shown.value) return
    const paused = !shown.value.standing.paused
    const at = marks.mark({ what: paused ? 'paused' : 'resumed' })
    press(at, () => ({ leg, startedAt: at - into, paused }))
  }
  /** Gives the part that is on more time, or less where it is below nothing. */
  function longer(seconds: number) {
    const { leg, into } = place.value
    if (leg < 0 || leg >= legs.value.length || !shown.value) return
    const at = marks.mark({ what: 'longer', seconds })
    press(at, (s) => ({
      leg,
      startedAt: at - into,
      seconds: s.seconds.map((x, i) => (i === leg ? Math.max(0, x + seconds) : x)),
    }))
  }
  return {
    view,
    live: shown,
    problem: readonly(problem),
    waiting: computed(() => waiting.value.length),
    now,
    place,
    legs,
    again,
    newAddress: () => newAddress(view, problem),
    next: () => go(place.value.leg + 1),
    back: () => place.value.leg > 0 && go(place.value.leg - 1),
    go,
    finish,
    pause,
    longer,
  }
}
