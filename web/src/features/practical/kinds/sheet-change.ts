import type { Kind } from '../kind'
import { word } from '@/parts/words'

/** Tapped by earlier versions for what a look at the sheet says now; it says still that it is opened or covered. */
export default {
  kind: 'sheet-change',
  words: (d) => `sheet: ${word(d.drape ?? '')}`,
} satisfies Kind
