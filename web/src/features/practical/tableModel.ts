import type { Schema } from '@/api/client'
import { stripOf, type StripModel } from '@/parts/strip'
import { observed } from './observed'
import type { Tap } from './queue'
import { live } from './run'

type View = Schema['PracticalView']

/** Band of a step as the core has it; before the first step that of the opening. */
export function bandOf(view: View, id: string | undefined) {
  return (view.spans.find((s) => s.step === id) ?? view.spans[0]!).band
}

/** The plan of a table with what was seen so far under it. */
export function stripOfRun(
  view: View,
  taps: readonly Tap[],
  nowMs: number,
  pointed: Set<string>,
): StripModel {
  const planned = view.spans.at(-1)?.end ?? 1
  const model = stripOf(
    view.sequence,
    view.spans,
    Math.max(planned, nowMs / 1000),
    () => false,
    (t) => pointed.has(t),
  )
  const run = live(taps)
  const starts = run.filter((t) => t.kind === 'step-start')
  model.seen = observed(
    view.sequence,
    [...taps],
    {
      done: starts.map((t, i) => ({
        step: t.data.step!,
        side: t.data.side ?? 'midline',
        start: t.atMs,
        end: starts[i + 1]?.atMs ?? run.find((x) => x.atMs > t.atMs && x.kind === 'step-stop')?.atMs ?? nowMs,
        event: t.id,
      })),
      opens: [],
      attended: [],
      end: nowMs,
    },
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
  view: View,
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
  model.seen = observed(view.sequence, view.events, view.run, moved, (id) => bandOf(view, id))
  return model
}
