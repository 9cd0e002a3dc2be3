import type { Schema } from '@/api/client'

export type Leg = Schema['Leg']
type Live = Schema['RoundLiveView']

/** Where a round is at a moment, and seconds into that part: the server said how it stood, and the clock goes on by itself. */
export function roundAt(live: Live, now: number): { leg: number; into: number } {
  const { standing } = live
  let { leg, startedAt } = standing
  // What stands still stands where it was when the server was asked.
  if (standing.paused) return { leg, into: live.elapsedSeconds - startedAt }
  while (leg >= 0 && leg < standing.seconds.length && now >= startedAt + standing.seconds[leg]!)
    startedAt += standing.seconds[leg++]!
  return { leg, into: Math.max(0, now - startedAt) }
}

/** The leg whose arrangement of people is shown: the one that is on, else the next in which somebody works. */
export const working = (legs: Leg[], at: number): Leg | undefined =>
  legs.slice(Math.max(0, at)).find((l) => l.role > 0)

/** Who does what at a table when the `role`th works, roles from 1. */
export function atTable(
  names: string[],
  role: number,
): { therapist: string; client: string; watching: string[] } {
  const turned = names.map((_, i) => names[(role - 1 + i) % names.length]!)
  return { therapist: turned[0]!, client: turned[1]!, watching: turned.slice(2) }
}

/** The steps of a leg at a moment: the one that is on, and the next with the seconds until it. */
export function callsAt(leg: Leg, into: number) {
  const on = leg.calls.findLastIndex((c) => c.atSeconds <= into)
  const next = leg.calls[on + 1]
  return { on: leg.calls[on], next, until: next ? next.atSeconds - into : undefined }
}

/** Two people change places. */
export function swapped(tables: string[][], one: string, other: string): string[][] {
  return tables.map((t) => t.map((id) => (id === one ? other : id === other ? one : id)))
}
