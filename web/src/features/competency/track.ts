import type { Schema } from '@/api/client'
import { FINGERS, type Criterion } from '@/parts/criteria'
import { counted } from '@/parts/words'

export type Row = Schema['StudentRow']
export type State = Schema['Bar']['state']

/** Which students are shown: those who have a bar like this. */
export const SHOW: { id: string; name: string; has: (bar: Schema['Bar']) => boolean }[] = [
  { id: '', name: 'everybody', has: () => true },
  { id: 'critical', name: 'open critical', has: (b) => b.state === 'open critical' },
  { id: 'risk', name: 'at risk', has: (b) => b.state === 'at risk' },
  { id: 'due', name: 'due again', has: (b) => b.state === 'due again' },
  { id: 'once', name: 'emerging', has: (b) => b.state === 'emerging' },
  { id: 'unseen', name: 'not seen', has: (b) => b.state === 'not seen' },
]
/** How much a bar asks for a look. */
const NEED: Record<State, number> = {
  'open critical': 9,
  'at risk': 3,
  'due again': 1,
  emerging: 0.3,
  'not seen': 0.2,
  secure: 0,
}
const barsOf = (row: Row, only: Criterion | '') =>
  row.palms.flatMap((p) => p.bars.filter((b) => !only || b.criterion === only))
export const needOf = (row: Row, only: Criterion | '' = '') =>
  barsOf(row, only).reduce((sum, b) => sum + NEED[b.state], 0)
export const secureOf = (row: Row, only: Criterion | '' = '') =>
  barsOf(row, only).filter((b) => b.state === 'secure').length

/** The students a cohort shows, in the order asked for. */
export function rowsOf(
  students: readonly Row[],
  how: { sort: 'name' | 'need' | 'secure'; show: string; only: Criterion | '' },
): Row[] {
  const has = SHOW.find((s) => s.id === how.show)?.has ?? (() => true)
  const rows = students.filter((s) => barsOf(s, how.only).some(has) || how.show === '')
  if (how.sort === 'need') rows.sort((a, b) => needOf(b, how.only) - needOf(a, how.only))
  if (how.sort === 'secure') rows.sort((a, b) => secureOf(a, how.only) - secureOf(b, how.only))
  return rows
}

/** How a student stands, in a few words. */
export function standing(row: Row, only: Criterion | '' = ''): string {
  const bars = barsOf(row, only)
  const many = (state: State) => bars.filter((b) => b.state === state).length
  const parts = (['open critical', 'at risk', 'due again'] as const)
    .filter((s) => many(s) > 0)
    .map((s) => `${many(s)} ${s}`)
  if (parts.length) return parts.join(', ')
  const secure = many('secure')
  if (secure) return `${secure} secure`
  return bars.some((b) => b.level != null)
    ? `${counted(many('emerging'), 'criterion', 'criteria')} seen`
    : 'not seen yet'
}

export const fingerOf = (id: string) => FINGERS.find((f) => f.id === id) ?? FINGERS[0]!

/** A probability as people read it: never better than it is, never 0 % and never 100 %. */
export function percent(p: number): string {
  const n = Math.floor(100 * p + 1e-9)
  return n < 1 ? 'under 1 %' : n > 99 ? 'over 99 %' : `${n} %`
}

/** A state that rests on too little says so in its place. */
export function stateOf(line: { bar: { state: string }; history: readonly unknown[] }): string {
  const thin = line.history.length === 1 && ['emerging', 'at risk'].includes(line.bar.state)
  return thin ? 'seen once' : line.bar.state
}
