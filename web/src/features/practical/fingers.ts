import { FINGERS, type Criterion } from '@/parts/criteria'
import type { Data, Kind, Pick } from './kind'
import type { Tap } from './queue'

export type { Pick } from './kind'

/** What is said of each kind of tap, by its name. */
export const KINDS: ReadonlyMap<string, Kind> = new Map(
  Object.values(import.meta.glob<Kind>('./kinds/*.ts', { eager: true, import: 'default' })).map((k) => [
    k.kind,
    k,
  ]),
)

/** Keys for what the opened finger has, those that the right hand reaches first. U, X, B, T and G have tasks of their own. */
export const RIGHT_HAND = [...'jkliopmhy,.nqwerzcv;']

const byHand = (a: Pick, b: Pick) => RIGHT_HAND.indexOf(a.key) - RIGHT_HAND.indexOf(b.key)
const all = [...KINDS.values()].flatMap((k) => k.picks ?? [])

/** What each finger opens, in the order of its keys. Steps are the order finger's own and stand beside it. */
export const PICKS = Object.fromEntries(
  FINGERS.map((f) => [f.id, all.filter((p) => p.finger === f.id).sort(byHand)]),
) as Record<Criterion, Pick[]>

/** What a tap of this kind could have been instead, for whoever tapped the wrong thing. */
export function alternatives(tap: Tap): { label: string; data: Data }[] {
  const kind = KINDS.get(tap.kind)
  const own = kind?.alternatives?.(tap.data) ?? []
  const picks = kind?.picks ?? []
  if (picks.length < 2 || tap.kind === 'step-start') return own
  const kept = Object.fromEntries(
    (kind?.keeps ?? []).map((f) => [f, tap.data[f]]).filter(([, v]) => v !== undefined && v !== null),
  ) as Data
  const same = (d: Data) =>
    Object.entries(d).every(([k, v]) => String(tap.data[k as keyof Data]) === String(v))
  return [
    ...own,
    ...picks.filter((p) => !same(p.data)).map((p) => ({ label: p.label, data: { ...kept, ...p.data } })),
  ]
}
