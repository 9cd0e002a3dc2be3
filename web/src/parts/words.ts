import { inSchool } from './when'

/** Minutes and seconds: 75.4 is 1:15; less than nothing keeps its sign. */
export function mmss(seconds: number): string {
  const s = Math.round(Math.abs(seconds))
  return `${seconds <= -0.5 ? '−' : ''}${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
}

/** A score as it is shown: whole points, or a dash. */
export function points(score: number | null | undefined): string {
  return score === null || score === undefined ? '–' : String(Math.round(score))
}

/** A date as people of the school say it: Thu 19 Nov. */
export function day(iso: string): string {
  return inSchool(iso, { weekday: 'short', day: 'numeric', month: 'short' }).replace(',', '')
}

/** An id of the trade as a word: thigh-front is thigh front. */
export function word(id: string): string {
  return id.replaceAll('-', ' ')
}

/** Numbers that stay in one line with what they count: 4 × 15 s, 22 mm. */
export function together(text: string): string {
  return text.replace(/(\d) (?=(×|s|min|mm|cm|g|kg)(?!\w))|(× )(?=\d)/g, (m) => m.replace(' ', '\u00a0'))
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

interface DoseLike {
  kind: string
  seconds?: number | null
  count?: number | null
  perSecond?: number | null
}

/** A dose as teachers write it. */
export function doseWords(d: DoseLike): string {
  switch (d.kind) {
    case 'passes':
      return `${d.count} × ${d.seconds} s`
    case 'holds':
      return `${d.count} holds × ${d.seconds} s`
    case 'cycles':
      return `${d.count} at ${d.perSecond}/s`
    case 'breaths':
      return `${d.count} breaths`
    case 'until-soft':
      return `until soft, ≤ ${d.seconds} s`
    default:
      return mmss(d.seconds ?? 0)
  }
}
/** A number with its noun: "1 tap", "2 taps". */
export const counted = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`

/** Several said in one breath: a, b and c. */
export const spoken = (all: readonly string[]) =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)!}`
