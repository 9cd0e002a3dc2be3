import type { Kind } from '../kind'
import type { Pick } from '../kind'
import type { Tap } from '../queue'

const answer = (
  response: NonNullable<Tap['data']['response']>,
  label: string,
  key: string,
  more: Partial<Pick> = {},
): Pick => ({
  id: `answer-${response}`,
  label,
  finger: 'pressure',
  key,
  kind: 'report-answer',
  data: { response },
  ...more,
})

export default {
  kind: 'report-answer',
  words: (d) => `answer to it: ${d.response}`,
  picks: [
    answer('eased', 'Eased', 'j', { main: true }),
    answer('broader', 'Broader', 'k'),
    answer('slower', 'Slower', 'l', { far: true }),
    answer('stopped', 'Stops', 'i'),
    answer('none', 'No answer', 'o'),
  ],
} satisfies Kind
