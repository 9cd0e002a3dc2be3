import type { Kind } from '../kind'

export default {
  kind: 'guarding',
  words: () => 'the client guarded',
  picks: [{ id: 'guarding', label: 'Guards', finger: 'pressure', key: '.', kind: 'guarding', data: {} }],
} satisfies Kind
