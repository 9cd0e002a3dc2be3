import type { Schema } from '@/api/client'

/** How a score stands: its band, and where it has none that it rests on too little or on an answer that is missing. */
export function stateOf(c: Schema['CriterionView']): string {
  if (c.score != null) return c.band ?? ''
  if (c.questions.length) return 'waits for review'
  return c.applicable ? 'not observed' : 'not asked'
}
