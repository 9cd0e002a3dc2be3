import type { Kind } from '../kind'
import { word } from '@/parts/words'

export default {
  kind: 'review-answer',
  words: (d) => `said at the review: ${word(d.said ?? '')}`,
} satisfies Kind
