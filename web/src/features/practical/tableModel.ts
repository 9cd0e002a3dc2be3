import type { Schema } from '@/api/client'
import { stripOf, type StripModel } from '@/parts/strip'
import { observed } from './observed'
import type { Table } from './useFloor'

type View = Schema['PracticalView']

/** Band of a step as the core has it; before the first step that of the opening. */
export function bandOf(view: Pick<View, 'spans'>, id: string | undefined) {
  return (view.spans.find((s) => s.step === id) ?? view.spans[0]!).band
}

/** The plan of a table with what was seen so far under it; what is being done goes on to this moment. */
export function stripOfRun(view: View, taps: Table['taps'], pointed: Set<string>): StripModel {
  const now = taps.now.value
  const planned = view.spans.at(-1)?.end ?? 1
  const model = stripOf(
    view.sequence,
    view.spans,
    Math.max(planned, now / 1000),
    () => false,
    (t) => pointed.has(t),
  )
  const { on } = taps.progress.value
  const goesOn = (d: Schema['DoneView']) => on?.step === d.step && on.side === d.side && on.since === d.start
  const done = (taps.run.value?.done ?? []).map((d) => (goesOn(d) ? { ...d, end: now } : d))
  model.seen = observed(
    view.sequence,
    taps.counting.value,
    { done, opens: [], attended: [], end: now },
    new Set(),
    (id) => bandOf(view, id),
  )
  return model
}

/** Parts of a finger that are filled one by one. */
const PARTS = 4

/**
 * How much was seen of each finger so far, as the bars of a palm. What it comes to is not told before the grader gave the one rating of
 * the whole: who knows the number rates the number.
 */
export function barsOf(scores: Schema['ScoreView'] | undefined) {
  return (scores?.criteria ?? []).map((c) => ({
    criterion: c.criterion,
    fill: c.observations === 0 ? 0 : Math.max(1, Math.floor(PARTS * seenOf(c))),
    state: c.observations === 0 ? 'not seen' : `${c.observations} of ${c.enough} seen`,
  }))
}

/** Which share of what is enough was seen. */
export const seenOf = (c: Pick<Schema['CriterionView'], 'observations' | 'enough'> | undefined) =>
  c ? Math.min(1, c.observations / c.enough) : 0

/** The plan of a finished run with what the server made of what was seen, on a scale of its own or a common one. */
export function stripOfView(
  view: Pick<View, 'sequence' | 'spans' | 'events' | 'run' | 'progress'>,
  totalSeconds: number,
  pointed: Set<string>,
  moved: Set<string> = new Set(),
): StripModel {
  const model = stripOf(
    view.sequence,
    view.spans,
    totalSeconds,
    () => false,
    (t) => pointed.has(t),
  )
  const counting = new Set(view.progress.counting)
  model.seen = observed(
    view.sequence,
    view.events.filter((e) => counting.has(e.id)),
    view.run,
    moved,
    (id) => bandOf(view, id),
  )
  return model
}
