import type { Schema } from '@/api/client'

/** Everything the five-lane strip draws; all times in seconds. */
export interface StripModel {
  total: number
  blocks: {
    key: string
    /** Place of the step in its sequence, from 1. */
    label: string
    title: string
    start: number
    end: number
    depth: number
    pointed: boolean
    flagged: boolean
    open: boolean
    through: boolean
    band?: { low: number; high: number }
  }[]
  says: { at: number; word: string }[]
  seen?: {
    blocks: { key: string; label: string; title: string; start: number; end: number; moved: boolean }[]
    reports: { at: number; number: number; over: boolean; key: string }[]
    looks: { at: number; clean: boolean; key: string }[]
    says: { at: number; word: string; key: string }[]
    opens: { start: number; end: number }[]
    sheets: { at: number; fault: boolean; key: string }[]
    attended: { start: number; end: number }[]
  }
}

const SHORT: Record<string, string> = {
  greeting: 'greet',
  purpose: 'purpose',
  'areas-to-avoid': 'avoid',
  'invites-feedback': 'invite',
  'pressure-question': 'ask',
  explains: 'tell',
  warns: 'warn',
  'ready-cue': 'ready',
  'relax-cue': 'relax',
  choice: 'choice',
  interview: 'number',
  consent: 'may I',
  closing: 'close',
}
export const sayWord = (kind: string) => SHORT[kind] ?? kind

type Step = Schema['Step']

export function stepsOf(sequence: Schema['Sequence']): Step[] {
  return sequence.blocks.flatMap((b) => b.steps)
}

/** Labels only where there is room up to the next dot, so that words do not run into each other. */
export function spaced<T extends { at: number; word: string }>(
  says: T[],
  total: number,
  width: number,
): (T & { shown: boolean })[] {
  const sorted = [...says].sort((a, b) => a.at - b.at)
  return sorted.map((s, i) => {
    const next = sorted[i + 1]?.at ?? total
    return { ...s, shown: ((next - s.at) / total) * width > 14 + s.word.length * 6.6 }
  })
}

export interface Box {
  x: number
  y: number
  w: number
  h: number
}

/** The outline of many boxes as one path: hundreds of blocks are drawn and redrawn as one shape. */
export function boxes(list: Iterable<Box>, radius = 0): string {
  const to = (n: number) => Math.round(n * 10) / 10
  let d = ''
  for (const b of list) {
    const r = Math.min(radius, b.w / 2, b.h / 2)
    d +=
      r < 0.3
        ? `M${to(b.x)} ${to(b.y)}h${to(b.w)}v${to(b.h)}h${to(-b.w)}z`
        : `M${to(b.x + r)} ${to(b.y)}h${to(b.w - 2 * r)}a${to(r)} ${to(r)} 0 0 1 ${to(r)} ${to(r)}v${to(b.h - 2 * r)}a${to(r)} ${to(r)} 0 0 1 ${to(-r)} ${to(r)}h${to(2 * r - b.w)}a${to(r)} ${to(r)} 0 0 1 ${to(-r)} ${to(-r)}v${to(2 * r - b.h)}a${to(r)} ${to(r)} 0 0 1 ${to(r)} ${to(-r)}z`
  }
  return d
}

/** Dots on one line as one path. */
export function dots(at: Iterable<number>, y: number, r: number): string {
  let d = ''
  for (const x of at)
    d += `M${Math.round((x - r) * 10) / 10} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`
  return d
}

/** The strip of a plan. */
export function stripOf(
  sequence: Schema['Sequence'],
  spans: Schema['SpanView'][],
  total: number,
  flagged: (step: string) => boolean,
  pointed: (tool: string) => boolean,
): StripModel {
  const steps = stepsOf(sequence)
  const place = new Map(steps.map((s, i) => [s.id, i]))
  const says: StripModel['says'] = []
  const blocks = spans.map((span) => {
    const i = place.get(span.step) ?? 0
    const step = steps[i]!
    step.say.forEach((say) => says.push({ at: span.start + say.atSeconds, word: sayWord(say.kind) }))
    return {
      key: `${span.step}/${span.side}`,
      label: String(i + 1),
      title: step.name,
      start: span.start,
      end: span.end,
      depth: step.depth,
      pointed: pointed(step.tool),
      flagged: flagged(step.id),
      open: span.open.length > 0,
      through: step.sheet === 'through',
      band: span.band,
    }
  })
  return { total: Math.max(total, 1), blocks, says }
}

/** Something at a moment, or from one to another. */
export type Placed = { at: number } | { start: number; end: number }

/** What lies nearest to a second; of those that are as near, the first. */
export function nearest<T extends Placed>(items: readonly T[], second: number): T | undefined {
  let best: T | undefined
  let least = Infinity
  for (const item of items) {
    const [from, to] = 'at' in item ? [item.at, item.at] : [item.start, item.end]
    const far = Math.max(from - second, second - to, 0)
    if (far >= least) continue
    least = far
    best = item
  }
  return best
}
