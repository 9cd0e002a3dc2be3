/** A list with one of it changed in part. */
export const changedAt = <T extends object>(list: readonly T[], at: number, patch: Partial<T>): T[] =>
  list.map((x, i) => (i === at ? { ...x, ...patch } : x))
/** A list without one of it. */
export const without = <T>(list: readonly T[], at: number): T[] => list.filter((_, i) => i !== at)
