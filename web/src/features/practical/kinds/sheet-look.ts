import { useSession } from '@/features/session/useSession'
import type { Kind } from '../kind'
import { word } from '@/parts/words'
import type { Pick } from '../kind'
import type { Tap } from '../queue'

const missed = (fault: NonNullable<Tap['data']['missed']>[number], label: string, key: string): Pick => ({
  id: `sheet-${fault}`,
  label,
  finger: 'draping',
  key,
  kind: 'sheet-look',
  data: { missed: [fault] },
})

/** What was missed: the points of the method by their words, and the faults that none of them is. */
function missing(d: Tap['data']): string[] {
  if (!d.points?.length) return d.missed?.map(word) ?? []
  const all = useSession().catalogue?.drapes.flatMap((m) => m.points) ?? []
  const points = d.points.map((id) => all.find((p) => p.id === id))
  const rest = d.missed?.filter((f) => !points.some((p) => p?.fault === f)) ?? []
  return [...points.map((p, i) => p?.missed ?? word(d.points![i]!)), ...rest.map(word)]
}

/** A look at the sheet: due at each change of it and at the end, and whenever something of it is seen. */
export default {
  kind: 'sheet-look',
  words: (d) => `sheet: ${missing(d).join(', ') || 'clean'}`,
  picks: [
    {
      id: 'sheet-clean',
      label: 'Sheet clean',
      finger: 'draping',
      key: 'j',
      kind: 'sheet-look',
      data: { missed: [] },
      main: true,
    },
    missed('loose', 'Loose', 'k'),
    missed('left-open', 'Left open', 'l'),
    missed('lifted-too-high', 'Too high', 'i'),
    missed('not-secured', 'Unsecured', 'o'),
    missed('not-covered-at-end', 'End open', 'p'),
    missed('other', 'Other miss', 'm'),
  ],
  keeps: ['asked'],
} satisfies Kind
