import type { Criterion } from '@/parts/criteria'
import type { Tap } from './queue'

type Data = Partial<Tap['data']>

/** One thing to tap within a finger. */
export interface Pick {
  id: string
  label: string
  kind: Tap['kind']
  data: Data
  /** Drawn strongly: the most common one. */
  main?: boolean
}

/** Keys for the picks of the opened finger, in order, those of the right hand first. U, X, B and T have tasks of their own. */
export const RIGHT_HAND = ['j', 'k', 'l', 'i', 'o', 'p', 'm', 'h', 'y', ',', '.', 'q', 'w', 'e', 'r']

const say = (id: NonNullable<Data['saying']>, label: string, more: Data = {}): Pick => ({
  id: `say-${id}${more.style ?? ''}${more.number ?? ''}`,
  label,
  kind: 'say',
  data: { saying: id, ...more },
})
const sheet = (drape: NonNullable<Data['drape']>, label: string): Pick => ({
  id: `sheet-${drape}`,
  label,
  kind: 'sheet-change',
  data: { drape },
})
const answer = (response: NonNullable<Data['response']>, label: string): Pick => ({
  id: `answer-${response}`,
  label,
  kind: 'report-answer',
  data: { response },
})
const look = (label: string, faults: NonNullable<Data['faults']>, main = false): Pick => ({
  id: `look-${faults.join('+') || 'clean'}`,
  label,
  kind: 'look',
  data: { faults },
  main,
})

/** What each finger opens. Steps are the order finger's own and stand beside it. */
export const PICKS: Record<Criterion, Pick[]> = {
  pressure: [
    { ...answer('eased', 'Eased'), main: true },
    answer('broader', 'Broader'),
    answer('slower', 'Slower'),
    answer('stopped', 'Stopped'),
    answer('none', 'No answer'),
    { id: 'hold', label: 'Hold', kind: 'hold-start', data: {} },
    { id: 'rate', label: 'Rate tap', kind: 'rate-tap', data: {} },
    { id: 'deeper', label: 'Too deep', kind: 'contact', data: {} },
  ],
  order: [
    { id: 'next', label: 'Next step', kind: 'step-start', data: {}, main: true },
    { id: 'other-side', label: 'Other side', kind: 'step-start', data: {} },
    { id: 'skip', label: 'Skips', kind: 'step-skip', data: {} },
    { id: 'stop', label: 'Hands off', kind: 'step-stop', data: {} },
    { id: 'off-plan', label: 'Off plan', kind: 'off-plan', data: {} },
    { id: 'turn', label: 'Turns', kind: 'turn', data: {} },
  ],
  mechanics: [
    look('Clean', [], true),
    look('Bent elbows', ['bent-elbows']),
    look('Bent waist', ['bent-waist']),
    look('Leans', ['leaning']),
    look('Twisted', ['twisted']),
    look('Bare thumb', ['bare-thumb']),
    look('Head down', ['dropped-head']),
    look('Shoulders', ['raised-shoulders']),
    look('Tense hand', ['tense-hand']),
    { id: 'balanced', label: 'Balanced', kind: 'balance-test', data: { clear: true } },
    { id: 'unbalanced', label: 'Off balance', kind: 'balance-test', data: { clear: false } },
  ],
  communication: [
    { ...say('pressure-question', 'Asks, open', { style: 'open' }), main: true },
    say('pressure-question', 'Asks, yes/no', { style: 'closed' }),
    say('choice', 'Gives choice'),
    say('warns', 'Warns'),
    say('explains', 'Explains'),
    say('ready-cue', 'Ready cue'),
    say('relax-cue', 'Relax cue'),
    say('closing', 'Closes'),
    { id: 'vague', label: 'Vague reply', kind: 'reply', data: { clear: false } },
    { id: 'followed-up', label: 'Follows up', kind: 'reply', data: { clear: false, followedUp: true } },
    { id: 'pain', label: 'Pain 0–10', kind: 'measure', data: { measured: 'pain' } },
    { id: 'range', label: 'Range', kind: 'measure', data: { measured: 'range' } },
  ],
  draping: [
    { id: 'consent-asked', label: 'Asks first', kind: 'consent', data: { answer: 'asked' }, main: true },
    { id: 'consent-yes', label: 'Says yes', kind: 'consent', data: { answer: 'yes' } },
    { id: 'consent-no', label: 'Says no', kind: 'consent', data: { answer: 'no' } },
    { id: 'consent-withdrawn', label: 'Takes back', kind: 'consent', data: { answer: 'withdrawn' } },
    sheet('loose', 'Loose'),
    sheet('left-open', 'Left open'),
    sheet('lifted-too-high', 'Too high'),
    sheet('secured', 'Secured'),
    sheet('not-secured', 'Unsecured'),
    sheet('not-covered-at-end', 'End open'),
    { id: 'lubricant', label: 'Lubricant', kind: 'lubricant', data: {} },
    { id: 'hygiene', label: 'Wipes hands', kind: 'hygiene', data: { text: 'wiped hands' } },
  ],
}

/** The opening of a treatment, said before the first step. */
export const OPENING: Pick[] = [
  say('greeting', 'Greets'),
  say('purpose', 'Purpose'),
  say('areas-to-avoid', 'Avoid?'),
  say('invites-feedback', 'Invites'),
]

/** The four questions of a trigger-point interview, in order. */
export const INTERVIEW: Pick[] = [
  say('interview', '1 tender?', { number: 1 }),
  say('interview', '2 number?', { number: 2 }),
  say('interview', '3 travels?', { number: 3 }),
  say('interview', '4 easing?', { number: 4 }),
]

/** What a tap of this kind could have been instead, for whoever tapped the wrong thing. */
export function alternatives(tap: Tap): { label: string; data: Data }[] {
  if (tap.kind === 'report')
    return Array.from({ length: 11 }, (_, n) => ({
      label: String(n),
      data: { ...tap.data, number: n },
    })).filter((a) => a.data.number !== tap.data.number)
  if (tap.kind === 'contact' && tap.data.depth !== undefined && tap.data.depth !== null)
    return Array.from({ length: 6 }, (_, n) => ({
      label: `depth ${n}`,
      data: { ...tap.data, depth: n },
    })).filter((a) => a.data.depth !== tap.data.depth)
  if (
    !['say', 'report-answer', 'look', 'consent', 'sheet-change', 'balance-test', 'reply'].includes(tap.kind)
  )
    return []
  const same = (d: Data) =>
    Object.entries(d).every(([k, v]) => String(tap.data[k as keyof Data]) === String(v))
  return [...OPENING, ...INTERVIEW, ...Object.values(PICKS).flat()]
    .filter((p) => p.kind === tap.kind && !same(p.data))
    .map((p) => ({ label: p.label, data: { ...kept(tap), ...p.data } }))
}

/** Where it was, and whether it was asked for: that does not change with what it was. */
function kept(tap: Tap): Data {
  const { zone, side, unit, asked } = tap.data
  return Object.fromEntries(
    Object.entries({ zone, side, unit, asked }).filter(([, v]) => v !== undefined && v !== null),
  )
}
