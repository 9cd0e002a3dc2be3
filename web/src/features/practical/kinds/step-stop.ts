import type { Kind } from '../kind'

export default {
  kind: 'step-stop',
  words: () => 'hands off',
  picks: [{ id: 'stop', label: 'Hands off', finger: 'order', key: 'i', kind: 'step-stop', data: {} }],
} satisfies Kind
