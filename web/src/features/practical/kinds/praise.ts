import type { Kind } from '../kind'

export default {
  kind: 'praise',
  words: (d) => `well done${d.text ? `: ${d.text}` : ''}`,
  picks: [{ id: 'praise', label: 'Well done', finger: 'order', key: 'y', kind: 'praise', data: {} }],
} satisfies Kind
