import type { Kind } from '../kind'

export default {
  kind: 'attend',
  words: (d) => (d.on ? 'grader’s eyes on this table' : 'grader looked away'),
} satisfies Kind
