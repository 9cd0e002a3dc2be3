import type { Schema } from '@/api/client'

/** Something a table waits for at a moment. */
export interface DueNow {
  kind: Schema['Due']['kind']
  text: string
  /** Whether it is late already. */
  hot: boolean
}

/** What a table waits for at a moment, what is late first. Only pointers for the grader: they score nothing. */
export function duesAt(dues: readonly Schema['Due'][], nowMs: number): DueNow[] {
  const now = dues
    .filter((d) => d.from <= nowMs && (d.until === undefined || nowMs < d.until))
    .map((d) => ({
      kind: d.kind,
      text: d.since === undefined ? d.text : `${d.text} ${minutes((nowMs - d.since) / 1000)}`,
      hot: d.lateFrom !== undefined && d.lateFrom <= nowMs,
    }))
  return [...now.filter((d) => d.hot), ...now.filter((d) => !d.hot)]
}

function minutes(seconds: number): string {
  return seconds < 90 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`
}

/** Milliseconds of work: the clock less the breaks. */
export const workedMs = (so: Schema['RunProgress'], nowMs: number) => (so.restingSince ?? nowMs) - so.rested
