import type { Kind } from '../kind'
import { word } from '@/parts/words'
import type { Pick } from '../kind'
import type { Tap } from '../queue'

const look = (fault: NonNullable<Tap['data']['faults']>[number], label: string, key: string): Pick => ({
  id: `look-${fault}`,
  label,
  finger: 'mechanics',
  key,
  kind: 'look',
  data: { faults: [fault] },
})

export default {
  kind: 'look',
  words: (d) => (d.faults?.length ? `look: ${d.faults.map(word).join(', ')}` : 'look: clean'),
  picks: [
    {
      id: 'look-clean',
      label: 'Clean',
      finger: 'mechanics',
      key: 'j',
      kind: 'look',
      data: { faults: [] },
      main: true,
    },
    look('bent-elbows', 'Bent elbows', 'k'),
    look('bent-waist', 'Bent waist', 'l'),
    look('leaning', 'Leans', 'i'),
    look('twisted', 'Twisted', 'o'),
    look('bare-thumb', 'Bare thumb', 'p'),
    look('dropped-head', 'Head down', 'm'),
    look('raised-shoulders', 'Shoulders', 'h'),
    look('tense-hand', 'Tense hand', 'y'),
    look('lifting-with-back', 'Lifts by back', ','),
    look('pulling-with-arms', 'Pulls by arms', '.'),
    look('reaching', 'Reaches', 'n'),
  ],
  keeps: ['asked'],
} satisfies Kind
