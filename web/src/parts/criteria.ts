import type { Schema } from '@/api/client'

export type Criterion = Schema['Bar']['criterion']

/** One of the five, thumb to little finger: the same order, letter, name and colour on every screen. */
export interface Finger {
  id: Criterion
  letter: string
  name: string
  long: string
  /** Key of the left hand, as KeyboardEvent.key. */
  key: string
  keyName: string
}

export const FINGERS: readonly Finger[] = [
  { id: 'pressure', letter: 'P', name: 'Pressure', long: 'Pressure control', key: ' ', keyName: 'space' },
  { id: 'order', letter: 'O', name: 'Order', long: 'Stroke order', key: 'f', keyName: 'F' },
  { id: 'mechanics', letter: 'M', name: 'Mechanics', long: 'Body mechanics', key: 'd', keyName: 'D' },
  {
    id: 'communication',
    letter: 'C',
    name: 'Communication',
    long: 'Client communication',
    key: 's',
    keyName: 'S',
  },
  { id: 'draping', letter: 'D', name: 'Draping', long: 'Draping', key: 'a', keyName: 'A' },
]

/** As the left hand lies on the keyboard: little finger on the left, thumb on the right. */
export const AS_THE_HAND_LIES = [...FINGERS].reverse()

export const hue = (id: string) => `var(--${id})`
export const wash = (id: string) => `var(--${id}-wash)`
