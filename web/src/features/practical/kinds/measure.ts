import type { Kind } from '../kind'

export default {
  kind: 'measure',
  words: (d) => `${d.measured} ${d.after ? 'after' : 'before'}: ${d.number}`,
  picks: [
    {
      id: 'pain',
      label: 'Pain 0–10',
      finger: 'communication',
      key: '.',
      kind: 'measure',
      data: { measured: 'pain' },
    },
    {
      id: 'range',
      label: 'Range',
      finger: 'communication',
      key: 'n',
      kind: 'measure',
      data: { measured: 'range' },
    },
  ],
} satisfies Kind
