import type { Schema } from '@/api/client'
import { stepsOf } from '@/parts/strip'

/** A step on a side: what a client needs of it, what the class was shown, and what the student gave. */
export interface Beside {
  key: string
  place: number
  name: string
  side: string
  plannedSeconds: number
  shownSeconds: number
  doneSeconds: number
}

type Demonstration = Pick<Schema['DemonstrationView'], 'shown' | 'live'>

/** Steps of a run beside those of a demonstration of the same sequence, in the order of the plan. */
export function besideShown(view: Schema['PracticalView'], demonstration: Demonstration): Beside[] {
  const steps = stepsOf(view.sequence)
  const shown = new Map<string, number>()
  demonstration.shown.moments.forEach((m, i) => {
    // The version that was shown may have counted otherwise.
    const step = steps.find((x) => x.name === m.name) ?? steps[m.number - 1]
    const key = `${step?.id}/${m.side}`
    shown.set(key, (shown.get(key) ?? 0) + (demonstration.live.progress.seconds[i] ?? 0))
  })
  const done = new Map<string, number>()
  for (const d of view.run.done) {
    const key = `${d.step}/${d.side}`
    done.set(key, (done.get(key) ?? 0) + (d.end - d.start) / 1000)
  }
  return view.spans.map((s) => {
    const key = `${s.step}/${s.side}`
    const place = steps.findIndex((x) => x.id === s.step)
    return {
      key,
      place: place + 1,
      name: steps[place]?.name ?? s.step,
      side: s.side,
      plannedSeconds: s.end - s.start,
      shownSeconds: shown.get(key) ?? 0,
      doneSeconds: done.get(key) ?? 0,
    }
  })
}

/** The demonstration as blocks on a time line: what was shown, one after another. */
export function blocksOf(demonstration: Demonstration) {
  let at = 0
  return demonstration.live.progress.order.flatMap((i) => {
    const m = demonstration.shown.moments[i]!
    const seconds = demonstration.live.progress.seconds[i] ?? 0
    if (seconds <= 0) return []
    const block = {
      key: `shown-${i}`,
      label: String(m.number),
      title: m.name,
      start: at,
      end: at + seconds,
      moved: false,
    }
    at += seconds
    return [block]
  })
}
