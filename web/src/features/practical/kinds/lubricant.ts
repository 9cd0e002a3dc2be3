import type { Kind } from '../kind'

export default {
  kind: 'lubricant',
  words: (d) => `lubricant: ${d.dressing}`,
  picks: [{ id: 'lubricant', label: 'Lubricant', finger: 'draping', key: 'q', kind: 'lubricant', data: {} }],
} satisfies Kind
