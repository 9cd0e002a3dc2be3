import { computed, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import type { Tap } from './queue'
import { useTaps } from './useTaps'

/** A practical that is looked at afterwards: its rating, its award, whether it counts, and taps put right. */
export function useReview(id: string) {
  const session = useSession()
  const path = { path: { id } }
  const {
    data: view,
    problem,
    loading,
    again,
  } = useAsked(() => ask(api.GET('/api/practicals/{id}', { params: path })))
  const { busy, failed, during } = useCommand()
  /** An award that was given is being changed. */
  const editing = ref(false)
  const changing = computed(() => session.staff && (!view.value?.award || editing.value))
  /** Who awards anew does so on what today's rules and taps say, which may be something else than what was awarded. */
  const judged = computed(
    () =>
      view.value &&
      (editing.value && view.value.anew ? { ...view.value, scores: view.value.anew } : view.value),
  )
  const call = (run: () => Promise<Schema['PracticalView']>) =>
    during(async () => {
      view.value = await run()
      editing.value = false
    })

  // What was tapped. A run that still goes on is its grader's: whoever looks in from here must not touch it.
  const taps = useTaps(id)
  watch(view, (v) => v?.finished && session.staff && taps.open(v))
  async function putRight(change: () => Promise<void>) {
    await change()
    await again()
  }
  const answering = ref(false)
  /** What only the grader can say, written down as one more tap each. */
  async function say(answers: Pick<Tap['data'], 'question' | 'said'>[]) {
    answering.value = true
    try {
      for (const a of answers) await taps.tap('review-answer', a)
      await again()
    } finally {
      answering.value = false
    }
  }

  /** The last demonstration of one's own of the same sequence. */
  const { data: demonstrations, again: readShown } = useAsked(async () => {
    const sequence = view.value?.sequence.id
    return session.staff && sequence
      ? (await ask(api.GET('/api/demonstrations', { params: { query: { sequence } } }))).lines
      : []
  })
  watch(() => view.value?.sequence.id, readShown)

  return {
    view,
    problem,
    loading,
    again,
    busy,
    failed,
    editing,
    changing,
    judged,
    answering,
    shown: computed(() => demonstrations.value?.find((d) => d.finished)),
    tapped: taps.taps,
    undo: (ref: string) => putRight(() => taps.takeBack(ref)),
    correct: (tap: Tap, data: Partial<Tap['data']>) => putRight(() => taps.correct(tap, data)),
    say,
    rate: (value: number) =>
      call(() => ask(api.POST('/api/practicals/{id}/rating', { params: path, body: { value } }))),
    award: (award: Schema['Award']) => {
      const body = { from: view.value?.award?.revision ?? 0, award }
      return call(() => ask(api.PUT('/api/practicals/{id}/award', { params: path, body })))
    },
    setVoid: (reason: string | undefined) =>
      call(() => ask(api.PUT('/api/practicals/{id}/void', { params: path, body: { reason } }))),
  }
}
