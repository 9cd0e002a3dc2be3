import type { Kind } from '../kind'

export default {
  kind: 'note',
  words: (d) => `note: ${d.text ?? ''}`,
  picks: [{ id: 'note', label: 'Note', finger: 'order', key: ',', kind: 'note', data: {} }],
} satisfies Kind
