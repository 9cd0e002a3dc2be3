import type { Kind } from '../kind'

export default {
  kind: 'rate-tap',
  words: () => 'one cycle',
  picks: [
    { id: 'rate', label: 'Rate tap', finger: 'pressure', key: 'm', kind: 'rate-tap', data: {}, far: true },
  ],
} satisfies Kind
