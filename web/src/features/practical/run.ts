import type { Schema } from '@/api/client'
import { ENDING } from '@/features/sequence/detail'
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
    } else if (t.kind === 'instead') {
      // The step goes on by a branch of the plan, or ends by it and counts as done.
      const key = `${t.data.step}/${t.data.side ?? 'midline'}`
      const ends = ENDING.includes(t.data.then ?? '')
      if (!ends || on === key) stop(t.atMs)
      if (ends) spent.set(key, spent.get(key) ?? 0)
      else on = key
      since = ends ? since : t.atMs
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

/** The same from the floor, where looks go in turn over all tables: each is due again when all have been. */
export function lookDueInTurn(
  taps: readonly Tap[],
  everySeconds: number,
  tables: number,
  nowMs: number,
): number | undefined {
  const run = live(taps)
  const begun = run.find((t) => t.kind === 'step-start')
  if (!begun) return undefined
  const last = run.findLast((t) => t.kind === 'look' && t.data.asked)?.atMs ?? begun.atMs
  const due = last + everySeconds * 1000 * tables
  return due <= nowMs ? due : undefined
}

/** Since when a look at the sheet is due: since its last change that nobody looked at. */
export function sheetDue(
  spans: readonly Pick<Schema['SpanView'], 'step' | 'side' | 'open'>[],
  taps: readonly Tap[],
): number | undefined {
  let open = new Set<string>()
  let due: number | undefined
  for (const t of live(taps)) {
    if (t.kind === 'sheet-look') due = undefined
    if (t.kind !== 'step-start') continue
    const span = spans.find((s) => s.step === t.data.step && s.side === (t.data.side ?? 'midline'))
    const now = new Set((span?.open ?? []).map((o) => `${o.unit}/${o.side}`))
    if ([...now].some((u) => !open.has(u)) || (now.size === 0 && open.size > 0)) due = t.atMs
    open = now
  }
  return due
}

/** Whether the cover at the end is still to be looked at: something was opened, and nothing was seen of the sheet since the last step. */
export function coverDue(
  spans: readonly Pick<Schema['SpanView'], 'step' | 'side' | 'open'>[],
  taps: readonly Tap[],
): boolean {
  const run = live(taps)
  const opened = run.some(
    (t) => t.kind === 'step-start' && spans.some((s) => s.step === t.data.step && s.open.length > 0),
  )
  const last = run.findLast((t) => t.kind === 'step-start')?.atMs ?? 0
  // One look at the last step's own change is not one at the end.
  const looks = run.filter((t) => t.kind === 'sheet-look' && t.atMs >= last)
  return (
    opened &&
    looks.length <
      (sheetDue(
        spans,
        run.filter((t) => t.kind !== 'sheet-look'),
      ) === last
        ? 2
        : 1)
  )
}

/** How many of each kind, for the tally beside a button. */
export function tally(taps: readonly Tap[], match: (t: Tap) => boolean): number {
  return live(taps).filter(match).length
}
