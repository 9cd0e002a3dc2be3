import type { Kind } from '../kind'

export default {
  kind: 'hygiene',
  words: (d) => d.text ?? 'hygiene',
  picks: [
    {
      id: 'hygiene',
      label: 'Wipes hands',
      finger: 'draping',
      key: 'w',
      kind: 'hygiene',
      data: { text: 'wiped hands' },
    },
  ],
} satisfies Kind
