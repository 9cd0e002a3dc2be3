import type { Tap } from './queue'

/** A tap that can be given to any table from the floor. */
export interface Common {
  id: 'next' | 'clean' | 'asks' | 'eased' | 'undo'
  label: string
  key: string
  kind?: Tap['kind']
  data?: Partial<Tap['data']>
}

export const common: Common[] = [
  { id: 'next', label: 'Next', key: 'n' },
  { id: 'clean', label: 'Clean', key: 'c', kind: 'look', data: { faults: [] } },
  { id: 'asks', label: 'Asks', key: 'q', kind: 'say', data: { saying: 'pressure-question', style: 'open' } },
  { id: 'eased', label: 'Eased', key: 'e', kind: 'report-answer', data: { response: 'eased' } },
  { id: 'undo', label: 'Undo', key: 'u' },
]
