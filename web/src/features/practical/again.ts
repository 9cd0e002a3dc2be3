import type { Schema } from '@/api/client'
import { counted } from '@/parts/words'

type Again = Schema['PracticalView']['again'][number]

/** Steps to be shown again, together where they are for the same reasons: in the order in which the first of each stands. */
export function againTogether(again: readonly Again[], name: (step: string) => string) {
  const groups = new Map<string, { steps: string[]; why: string[] }>()
  for (const a of again) {
    const key = a.why.join('; ')
    const group = groups.get(key) ?? { steps: [], why: a.why }
    group.steps.push(a.step)
    groups.set(key, group)
  }
  return [...groups].map(([why, g]) => ({
    why,
    said:
      g.steps.length > 3 && groups.size === 1
        ? `All ${counted(g.steps.length, 'step')}`
        : g.steps.map(name).join(', '),
  }))
}
