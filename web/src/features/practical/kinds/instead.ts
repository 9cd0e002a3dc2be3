import { word } from '@/parts/words'
import type { Kind } from '../kind'

export default {
  kind: 'instead',
  words: (d, stepName) => `“${stepName(d.step!)}” ${word(d.when!)}: ${word(d.then!)}`,
  picks: [
    {
      id: 'instead',
      label: 'Instead',
      finger: 'order',
      key: 'n',
      kind: 'instead',
      data: {},
      when: 'something came up',
    },
  ],
} satisfies Kind
