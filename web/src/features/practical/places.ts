/** A table of a practical that is set up: who works, and on whom. */
export interface Place {
  table: number
  student: string
  partner: string
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
