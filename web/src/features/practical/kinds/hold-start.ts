import type { Kind } from '../kind'

export default {
  kind: 'hold-start',
  words: () => 'hold began',
  picks: [{ id: 'hold', label: 'Hold', finger: 'pressure', key: 'p', kind: 'hold-start', data: {} }],
} satisfies Kind
