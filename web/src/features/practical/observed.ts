import type { Schema } from '@/api/client'
import type { StripModel } from '@/parts/strip'
import { sayWord, stepsOf } from '@/parts/strip'
import type { Tap } from './queue'

/**
 * The observed run for the strip, out of what the core made of it and the taps that count; seconds.
 *
 * @param taps those that count, in order
 */
export function observed(
  sequence: Schema['Sequence'],
  taps: readonly Tap[],
  run: Schema['RunView'],
  moved: ReadonlySet<string>,
  bandOf: (step: string | undefined) => { low: number; high: number },
): NonNullable<StripModel['seen']> {
  const steps = stepsOf(sequence)
  const place = new Map(steps.map((s, i) => [s.id, i]))
  const at = (ms: number) => run.done.findLast((d) => d.start <= ms && ms <= d.end)?.step
  return {
    blocks: run.done.map((d) => ({
      key: d.event,
      label: String((place.get(d.step) ?? 0) + 1),
      title: steps[place.get(d.step) ?? 0]?.name ?? d.step,
      start: d.start / 1000,
      end: d.end / 1000,
      moved: moved.has(d.event),
    })),
    reports: taps
      .filter((t) => t.kind === 'report')
      .map((t) => ({
        key: t.id,
        at: t.atMs / 1000,
        number: t.data.number ?? 0,
        over: (t.data.number ?? 0) > bandOf(at(t.atMs)).high,
      })),
    looks: taps
      .filter((t) => t.kind === 'look')
      .map((t) => ({ key: t.id, at: t.atMs / 1000, clean: (t.data.faults ?? []).length === 0 })),
    says: taps
      .filter((t) => t.kind === 'say' || t.kind === 'report-answer')
      .map((t) => ({
        key: t.id,
        at: t.atMs / 1000,
        word: t.kind === 'say' ? sayWord(t.data.saying ?? '') : (t.data.response ?? ''),
      })),
    opens: run.opens.map((o) => ({ start: o.start / 1000, end: o.end / 1000 })),
    sheets: taps
      .filter((t) => ['sheet-change', 'sheet-look', 'consent'].includes(t.kind))
      .map((t) => ({
        key: t.id,
        at: t.atMs / 1000,
        fault:
          !['open', 'cover', 'secured', undefined].includes(t.data.drape) ||
          (t.data.missed ?? []).length > 0 ||
          t.data.answer === 'no',
      })),
    attended: run.attended.map((a) => ({ start: a.start / 1000, end: a.end / 1000 })),
  }
}
