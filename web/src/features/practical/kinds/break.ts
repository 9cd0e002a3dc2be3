import type { Kind } from '../kind'

export default {
  kind: 'break',
  words: (d) => (d.on ? `break${d.text ? `: ${d.text}` : ''}` : 'goes on'),
} satisfies Kind
