import type { Tap } from './queue'

/** Taps that count, in order: what a live undo takes back is left out. Only for drawing; scores are the server's. */
export function live(taps: readonly Tap[]): Tap[] {
  const sorted = [...taps].sort(
    (a, b) => a.atMs - b.atMs || a.device.localeCompare(b.device) || a.seq - b.seq,
  )
  const undone = new Set<string>()
  for (const t of [...sorted].reverse())
    if (t.kind === 'undo' && !undone.has(t.id) && t.data.ref) undone.add(t.data.ref)
  return sorted.filter((t) => t.kind !== 'undo' && !undone.has(t.id))
}

/** What undo would take back: the newest live tap of this device that was a tap. */
export function lastTap(taps: readonly Tap[], device: string): Tap | undefined {
  return live(taps)
    .filter((t) => t.device === device && t.kind !== 'attend')
    .sort((a, b) => a.seq - b.seq)
    .at(-1)
}

export interface Doing {
  /** Key of the span that is on. */
  on?: string
  since: number
  /** Milliseconds given to each span so far, the running one left out. */
  spent: Map<string, number>
}

/** Which step is on and how long each has had, for the tiles. */
export function doing(taps: readonly Tap[]): Doing {
  const spent = new Map<string, number>()
  let on: string | undefined
  let since = 0
  const stop = (at: number) => {
    if (on) spent.set(on, (spent.get(on) ?? 0) + at - since)
    on = undefined
  }
  for (const t of live(taps)) {
    if (t.kind === 'step-start') {
      stop(t.atMs)
      on = `${t.data.step}/${t.data.side ?? 'midline'}`
      since = t.atMs
    } else if (['step-stop', 'off-plan', 'safety-stop', 'finish'].includes(t.kind)) stop(t.atMs)
  }
  return { on, since, spent }
}

/** A look is asked for every so often; it stays open until it is answered or the next one comes. */
export function lookDue(taps: readonly Tap[], everySeconds: number, nowMs: number): number | undefined {
  const attended = live(taps).find((t) => t.kind === 'attend' && t.data.on)
  if (!attended) return undefined
  const every = everySeconds * 1000
  const turn = Math.floor((nowMs - attended.atMs) / every)
  if (turn < 1) return undefined
  const asked = attended.atMs + turn * every
  const answered = live(taps).some((t) => t.kind === 'look' && t.data.asked && t.atMs >= asked)
  return answered ? undefined : asked
}

/** How many of each kind, for the tally beside a button. */
export function tally(taps: readonly Tap[], match: (t: Tap) => boolean): number {
  return live(taps).filter(match).length
}
