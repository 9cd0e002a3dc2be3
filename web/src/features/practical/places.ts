import type { Schema } from '@/api/client'
import type { Criterion } from '@/parts/criteria'

/** What is asked at every table. */
export interface Setting {
  term: string
  sequence: string
  /** Ids of all steps of the sequence. */
  steps: readonly string[]
  sides: 'each' | 'left' | 'right'
  minutes?: number
  /** Those of them that are asked; undefined for all. */
  asked?: readonly string[]
  /** Who grades, if it is somebody else. */
  grader?: string
  /** The one criterion of a spot check; undefined for a whole practical. */
  criterion?: Criterion
}

/** A table of a practical that is set up: who works, and on whom. */
export interface Place {
  table: number
  student: string
  partner: string
  /** A third student who watches on their own phone. */
  observer?: string
  /** What the one on the table must be spared today; undefined until somebody has asked. */
  today?: Schema['Spared'][]
  /** Steps asked of this body where some are left out for it. */
  asked?: string[]
  /** The one side asked of this body where the other must rest. */
  sides?: 'left' | 'right'
  /** Why to go on with a gate closed. */
  despite?: string
  /** The practical this one shows again, in part. */
  retakeOf?: string
  /** What the server says is in the way. */
  ready?: Schema['ReadyView']
}

/** A place as the server wants it. */
export function briefOf(p: Place, setting: Setting): Schema['Brief'] {
  return {
    term: setting.term,
    student: p.student || undefined,
    partner: p.partner || undefined,
    sequence: setting.sequence || undefined,
    sides: p.sides ?? setting.sides,
    asked: p.asked ?? (setting.asked && [...setting.asked]),
    grader: setting.grader,
    tableNumber: p.table,
    limitSeconds: setting.minutes ? 60 * setting.minutes : undefined,
    today: p.today,
    retakeOf: p.retakeOf,
    kind: setting.criterion ? 'spot-check' : undefined,
    criterion: setting.criterion,
    despite: p.despite?.trim() ? p.despite : undefined,
  }
}

/** Whether something is left to settle before hands are laid on: also that the server has not said yet what is. */
export function inTheWay(p: Place): boolean {
  if (!p.student) return false
  if (!p.today || !p.ready) return true
  const closed = p.ready.gates.some((g) => !g.open)
  return p.ready.clashes.length > 0 || (closed && !p.despite?.trim())
}

/** The lowest table that nobody is at or will be. */
export function freeTable(places: readonly Place[], open: readonly { tableNumber: number }[]): number {
  const taken = new Set([...places.map((p) => p.table), ...open.map((l) => l.tableNumber)])
  let n = 1
  while (taken.has(n)) n++
  return n
}

/**
 * Fills the places nobody is named for: those first who have not shown it yet, and on the table whoever is left, the last of the class
 * first, so that who waits is lain on. Names that stand are kept.
 */
export function filled(
  places: readonly Place[],
  students: readonly string[],
  had: ReadonlySet<string>,
): Place[] {
  const used = new Set(places.flatMap((p) => [p.student, p.partner]).filter(Boolean))
  const order = [...students].sort((a, b) => Number(had.has(a)) - Number(had.has(b)))
  const next = (from: readonly string[]) => {
    const found = from.find((s) => !used.has(s)) ?? ''
    used.add(found)
    return found
  }
  const working = places.map((p) => ({ ...p, student: p.student || next(order) }))
  const lying = [...order].reverse()
  return working.map((p) => ({ ...p, partner: p.partner || (p.student ? next(lying) : '') }))
}
