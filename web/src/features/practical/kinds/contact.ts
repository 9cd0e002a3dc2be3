import type { Kind } from '../kind'
import { word } from '@/parts/words'
import { placeOf } from '../place'

export default {
  kind: 'contact',
  words(d) {
    const where = placeOf(d)
    const depth = d.depth === undefined || d.depth === null ? '' : `, depth ${d.depth}`
    const on = [where, d.structure && word(d.structure)].filter(Boolean).join(', ')
    return `touch seen${on ? ` on ${on}` : ''}${depth}${d.tool ? `, ${word(d.tool)}` : ''}`
  },
  alternatives: (d) =>
    d.depth === undefined || d.depth === null
      ? []
      : [0, 1, 2, 3, 4, 5]
          .filter((n) => n !== d.depth)
          .map((n) => ({ label: `depth ${n}`, data: { ...d, depth: n } })),
} satisfies Kind
