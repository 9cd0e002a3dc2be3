import type { Kind } from '../kind'

export default {
  kind: 'client-word',
  words: (d) => `${d.word}, said the client`,
} satisfies Kind
