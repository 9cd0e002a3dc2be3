import type { Schema } from '@/api/client'

export type HourKind = Schema['LabPart']['kind']

/** The kinds of hours of a training, in the order in which they are told; what is done outside labs is entered one by one. */
export const HOUR_KINDS: readonly { id: HourKind; name: string; inLabs: boolean }[] = [
  { id: 'theory', name: 'theory', inLabs: true },
  { id: 'demonstration', name: 'demonstration', inLabs: true },
  { id: 'supervised-practice', name: 'supervised practice', inLabs: true },
  { id: 'practical', name: 'practical', inLabs: true },
  { id: 'own-practice', name: 'own practice', inLabs: false },
  { id: 'clinic', name: 'clinic', inLabs: false },
]
export const hourKindName = (id: string | undefined) =>
  HOUR_KINDS.find((k) => k.id === id)?.name ?? 'all hours'
/** Hours to a tenth, without a tenth that is none. */
export const hoursText = (h: number) => String(Math.round(10 * h) / 10)
