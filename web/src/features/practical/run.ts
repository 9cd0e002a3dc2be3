import type { Tap } from './queue'

const ordered = (taps: readonly Tap[]) =>
  [...taps].sort((a, b) => a.atMs - b.atMs || a.device.localeCompare(b.device) || a.seq - b.seq)

/** Taps that a live undo takes back, and the undo that does it. */
export function undone(taps: readonly Tap[]): Map<string, string> {
  const gone = new Map<string, string>()
  for (const t of ordered(taps).reverse())
    if (t.kind === 'undo' && !gone.has(t.id) && t.data.ref) gone.set(t.data.ref, t.id)
  return gone
}

/** Taps that count, in order: what a live undo takes back is left out. Only for drawing; scores are the server's. */
export function live(taps: readonly Tap[]): Tap[] {
  const gone = undone(taps)
  return ordered(taps).filter((t) => t.kind !== 'undo' && !gone.has(t.id))
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

export interface Break {
  /** When the break began that is on. */
  since?: number
  /** Milliseconds that breaks took so far, the running one left out. */
  took: number
}

/** Breaks: nothing counts in them. */
export function breaksOf(taps: readonly Tap[]): Break {
  let since: number | undefined
  let took = 0
  for (const t of live(taps)) {
    if (t.kind !== 'break') continue
    if (t.data.on) since ??= t.atMs
    else if (since !== undefined) {
      took += t.atMs - since
      since = undefined
    }
  }
  return { since, took }
}

/** Milliseconds of work: the clock less the breaks. */
export function workedMs(taps: readonly Tap[], nowMs: number): number {
  const { since, took } = breaksOf(taps)
  return (since ?? nowMs) - took
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
    } else if (['step-stop', 'off-plan', 'safety-stop', 'break', 'finish'].includes(t.kind)) stop(t.atMs)
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
