import { computed, ref, watch, type Ref } from 'vue'
import type { Schema } from '@/api/client'
import { stepsIn } from './edits'

/** How a step is picked: alone, with those that are picked, or with all up to it. */
export type Picking = 'one' | 'more' | 'upto'

/** Where the steps are seen. */
export interface StepsShown {
  show: (id: string) => unknown
  focus: (id: string) => unknown
}

/** Which steps of a text are picked: the one under the cursor, and all that an act is meant for. */
export function usePicked(
  sequence: Ref<Schema['Sequence'] | undefined>,
  list: Readonly<Ref<StepsShown | null | undefined>>,
) {
  const picked = ref<string>()
  const extra = ref<ReadonlySet<string>>(new Set())
  /** The step and side that are picked on the strip. */
  const cursor = ref<string>()
  const steps = computed(() => (sequence.value ? stepsIn(sequence.value) : []))
  const step = computed(() => steps.value.find((s) => s.id === picked.value) ?? steps.value[0])
  const chosen = computed<ReadonlySet<string>>(
    () =>
      new Set([
        ...(step.value ? [step.value.id] : []),
        ...[...extra.value].filter((id) => steps.value.some((s) => s.id === id)),
      ]),
  )
  const ids = computed(() => steps.value.filter((s) => chosen.value.has(s.id)).map((s) => s.id))
  const number = (id: string) => steps.value.findIndex((s) => s.id === id) + 1
  const said = computed(() =>
    ids.value.length === 1 ? `step ${number(ids.value[0]!)}` : `${ids.value.length} steps`,
  )
  const show = (id: string) => void list.value?.show(id)

  /** What was chosen in each text: undo comes back to the place of the act, not to the first step. */
  const choices = new WeakMap<Schema['Sequence'], { picked?: string; extra: ReadonlySet<string> }>()
  watch(
    sequence,
    (now, before) => {
      if (before) choices.set(before, { picked: picked.value ?? stepsIn(before)[0]?.id, extra: extra.value })
      const then = now && choices.get(now)
      if (!then) return
      picked.value = then.picked
      extra.value = then.extra
      cursor.value = undefined
      if (then.picked) show(then.picked)
    },
    // Before the act chooses what it made, and while the row with the focus still stands.
    { flush: 'sync' },
  )

  function pick(id: string, how: Picking = 'one') {
    if (how === 'upto' && step.value) {
      const [a, b] = [number(step.value.id), number(id)].sort((x, y) => x - y)
      extra.value = new Set(steps.value.slice(a! - 1, b).map((s) => s.id))
    } else if (how === 'more') {
      const next = new Set(chosen.value)
      if (next.has(id) && next.size > 1) next.delete(id)
      else next.add(id)
      extra.value = next
      if (!next.has(id)) {
        picked.value = [...next][0]
        return
      }
    } else extra.value = new Set()
    picked.value = id
    cursor.value = undefined
    show(id)
  }
  /** Picks a step on one of its sides: the key of a block of the strip. */
  function pickSpan(key: string) {
    pick(key.slice(0, key.lastIndexOf('/')))
    cursor.value = key
  }
  /** One step more is picked, with those that are. */
  function addNext(id: string) {
    extra.value = new Set([...chosen.value, id])
    picked.value = id
    show(id)
  }
  /** Exactly these are picked, with the cursor on the first. */
  function put(made: readonly string[]) {
    picked.value = made[0]
    extra.value = new Set(made.length > 1 ? made : [])
  }
  return { steps, step, chosen, ids, number, said, cursor, pick, pickSpan, addNext, put, show }
}
