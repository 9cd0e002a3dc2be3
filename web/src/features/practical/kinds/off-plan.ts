import type { Kind } from '../kind'
import { placeOf } from '../place'

export default {
  kind: 'off-plan',
  words: (d) => `off-plan stroke on ${placeOf(d)}`,
  picks: [{ id: 'off-plan', label: 'Off plan', finger: 'order', key: 'o', kind: 'off-plan', data: {} }],
} satisfies Kind
