import { mmss, word } from '@/parts/words'
import { KINDS } from './fingers'
import type { Tap } from './queue'

/** A tap as a line of the log. */
export function eventWords(t: Tap, stepName: (id: string) => string): string {
  return `${mmss(t.atMs / 1000)} ${KINDS.get(t.kind)?.words(t.data, stepName) ?? word(t.kind)}`
}
