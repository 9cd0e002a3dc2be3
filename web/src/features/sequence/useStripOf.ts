import { computed, ref, type Ref } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { stripOf } from '@/parts/strip'
import type { usePicked } from './usePicked'

/**
 * The strip of a text, where on it the cursor is, and what is looked at. It is drawn from the text that its plan was made of, once an
 * act: an answer on its way lags behind.
 */
export function useStripOf(
  judged: Readonly<Ref<Schema['Sequence'] | undefined>>,
  plan: Readonly<Ref<Schema['PlanView'] | undefined>>,
  picked: ReturnType<typeof usePicked>,
) {
  const session = useSession()
  /** The same set as long as it holds the same: the list of steps is drawn anew only where a flag comes or goes. */
  const flagged = computed<ReadonlySet<string>>((before) => {
    const now = new Set(
      plan.value?.findings
        .filter((f) => f.finding.severity !== 'hint')
        .flatMap((f) => f.finding.where.step ?? []),
    )
    return before && before.size === now.size && [...now].every((id) => before.has(id)) ? before : now
  })
  const spans = computed(() => plan.value?.spans ?? [])
  const strip = computed(
    () =>
      judged.value &&
      plan.value &&
      stripOf(
        judged.value,
        spans.value,
        plan.value.totalSeconds,
        (id) => flagged.value.has(id),
        (tool) => session.pointedTools.has(tool),
      ),
  )
  const span = computed(() => {
    const { step, cursor } = picked
    const ofStep = spans.value.filter((s) => s.step === step.value?.id)
    return ofStep.find((s) => `${s.step}/${s.side}` === cursor.value) ?? ofStep[0] ?? spans.value[0]
  })
  /** Where the pointer is on the strip: the figure shows that moment, without picking it. */
  const hovered = ref<number>()
  const looked = computed(() => {
    const at = hovered.value
    const over = at === undefined ? undefined : spans.value.findLast((s) => s.begin <= at && at <= s.end)
    const of = over ? picked.steps.value.find((s) => s.id === over.step) : picked.step.value
    return { span: over ?? span.value, step: of }
  })
  /** Picks the place of a finding that names a moment and no step. */
  function pickMoment(second: number) {
    const near = spans.value.find((s) => s.end >= second)
    if (near) picked.pickSpan(`${near.step}/${near.side}`)
  }
  return { strip, flagged, span, hovered, looked, pickMoment }
}
