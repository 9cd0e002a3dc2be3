import type { Kind } from '../kind'
import { word } from '@/parts/words'
import type { Pick } from '../kind'
import type { Tap } from '../queue'

const flaw = (
  what: NonNullable<Tap['data']['flaw']>,
  label: string,
  finger: Pick['finger'],
  key: string,
  far = false,
): Pick => ({ id: `stroke-${what}`, label, finger, key, kind: 'stroke-fault', data: { flaw: what }, far })

export default {
  kind: 'stroke-fault',
  words: (d) => `stroke: ${word(d.flaw ?? '')}`,
  picks: [
    flaw('too-light', 'Too light', 'pressure', 'h'),
    flaw('too-deep', 'Too deep', 'pressure', 'y'),
    flaw('too-fast', 'Too fast', 'pressure', ',', true),
    flaw('wrong-direction', 'Wrong way', 'order', 'm'),
    flaw('wrong-landmark', 'Off its mark', 'order', 'h'),
  ],
} satisfies Kind
