import type { Kind } from '../kind'
import { word } from '@/parts/words'

export default {
  kind: 'turn',
  words: (d) => `turned ${word(d.position ?? '')}`,
  picks: [{ id: 'turn', label: 'Turns', finger: 'order', key: 'p', kind: 'turn', data: {} }],
} satisfies Kind
