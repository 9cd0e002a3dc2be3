import { word } from '@/parts/words'
import type { Tap } from './queue'

/** Where a tap was, in words. */
export function placeOf(d: Tap['data']): string {
  return [d.zone && word(d.zone), d.side && d.side !== 'midline' ? d.side : undefined]
    .filter(Boolean)
    .join(', ')
}
