import type { Kind } from '../kind'

export default {
  kind: 'balance-test',
  words: (d) => (d.clear ? 'balance test: balanced' : 'balance test: off balance'),
  picks: [
    {
      id: 'balanced',
      label: 'Balanced',
      finger: 'mechanics',
      key: 'q',
      kind: 'balance-test',
      data: { clear: true },
    },
    {
      id: 'unbalanced',
      label: 'Off balance',
      finger: 'mechanics',
      key: 'w',
      kind: 'balance-test',
      data: { clear: false },
    },
  ],
} satisfies Kind
