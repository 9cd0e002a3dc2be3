import type { Kind } from '../kind'
import { word } from '@/parts/words'
import type { Pick } from '../kind'
import type { Tap } from '../queue'

const said = (answer: NonNullable<Tap['data']['answer']>, label: string, key: string): Pick => ({
  id: `consent-${answer}`,
  label,
  finger: 'draping',
  key,
  kind: 'consent',
  data: { answer },
})

export default {
  kind: 'consent',
  words: (d) => `permission${d.zone ? ` for ${word(d.zone)}` : ''}: ${d.answer}`,
  picks: [
    said('asked', 'Asks first', 'h'),
    said('yes', 'Says yes', 'y'),
    said('no', 'Says no', ','),
    said('withdrawn', 'Takes back', '.'),
  ],
  keeps: ['zone', 'side', 'sheet'],
} satisfies Kind
