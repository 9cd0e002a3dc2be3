import type { Kind } from '../kind'

export default {
  kind: 'reply',
  words: (d) => (d.clear ? 'clear reply' : d.followedUp ? 'vague reply, followed up' : 'vague reply'),
  picks: [
    {
      id: 'vague',
      label: 'Vague reply',
      finger: 'communication',
      key: 'y',
      kind: 'reply',
      data: { clear: false },
    },
    {
      id: 'followed-up',
      label: 'Follows up',
      finger: 'communication',
      key: ',',
      kind: 'reply',
      data: { clear: false, followedUp: true },
    },
  ],
} satisfies Kind
