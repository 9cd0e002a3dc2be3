import type { Criterion } from '@/parts/criteria'
import type { Tap } from './queue'

export type Data = Partial<Tap['data']>

/** One thing to tap within a finger. */
export interface Pick {
  id: string
  label: string
  finger: Criterion
  /** Its key while the finger is open: the same all through the run. */
  key: string
  kind: Tap['kind']
  data: Data
  /** Drawn strongly: the most common one. */
  main?: boolean
  /** Shown only while it can be meant; its key is there always. */
  when?: 'opening' | 'interview' | 'something came up'
  /** Not under a hand that is laid on the screen, where room is short. */
  far?: boolean
}

/** What there is to say of a kind of tap: a file of its own each, found by itself. */
export interface Kind {
  kind: Tap['kind']
  /** As a line of the log. */
  words: (data: Tap['data'], stepName: (id: string) => string) => string
  picks?: Pick[]
  /** What else a tap of it could have been, besides the other picks of its kind. */
  alternatives?: (data: Tap['data']) => { label: string; data: Data }[]
  /** Fields that stay what they were, whatever else it was. */
  keeps?: readonly (keyof Tap['data'])[]
}
