import type { Schema } from '@/api/client'
import { word } from '@/parts/words'
import type { Tap } from './queue'
import { breaksOf, doing, live, sheetDue, workedMs } from './run'

type View = Schema['PracticalView']

/** Something a table waits for. */
export interface Due {
  kind:
    | 'stop'
    | 'said'
    | 'sheet'
    | 'break'
    | 'answer'
    | 'look'
    | 'silence'
    | 'consent'
    | 'side'
    | 'over'
    | 'begin'
  text: string
  /** Whether it is late already. */
  hot: boolean
}

/** A change of the sheet that nobody looked at for so long is pressing. */
const SHEET_LATE_MS = 20_000

const SAYS = ['pressure-question', 'choice', 'interview']
/** How long a word of the client's handset stands. */
const SAID_MS = 30_000
/** A table that nobody has looked at for as many turns of looks is to be looked at next. */
const TURNS = 3

/** What is due at a table, the most pressing first. Only pointers for the grader: what it counts for is judged by the server. */
export function duesOf(view: View, taps: readonly Tap[], nowMs: number): Due[] {
  const run = live(taps)
  const dues: Due[] = []
  const { on, spent } = doing(taps)
  const span = view.spans.find((s) => `${s.step}/${s.side}` === on)

  // What stands until hands are on again.
  const stopped = run.findLast((t) => t.kind === 'safety-stop')
  if (stopped && !run.some((t) => t.kind === 'step-start' && t.atMs > stopped.atMs))
    dues.push({
      kind: stopped.data.byClient ? 'said' : 'stop',
      text: stopped.data.byClient ? 'stop, said the client' : (stopped.data.text ?? 'safety stop'),
      hot: true,
    })
  const said = run.findLast((t) => t.kind === 'client-word')
  if (said && nowMs - said.atMs < SAID_MS)
    dues.push({ kind: 'said', text: `${said.data.word}, said the client`, hot: true })
  const pause = breaksOf(taps).since
  if (pause !== undefined) {
    dues.push({ kind: 'break', text: `break for ${minutes((nowMs - pause) / 1000)}`, hot: false })
    return dues
  }

  const report = run.findLast((t) => t.kind === 'report')
  const band = (span ?? view.spans[0])?.band
  if (
    report &&
    band &&
    (report.data.number ?? 0) > band.high &&
    !run.some((t) => t.kind === 'report-answer' && t.atMs >= report.atMs)
  )
    dues.push({ kind: 'answer', text: `said ${report.data.number}: answer?`, hot: true })

  const next = view.spans.find((s) => `${s.step}/${s.side}` !== on && !spent.has(`${s.step}/${s.side}`))
  const sensitive = new Set<string>(view.profile.draping.sensitive)
  const steps = new Map(view.sequence.blocks.flatMap((b) => b.steps).map((s) => [s.id, s]))
  for (const s of [span, next]) {
    const zone = s && steps.get(s.step)?.zones.find((z) => sensitive.has(z))
    if (!zone) continue
    const answer = run.findLast((t) => t.kind === 'consent' && (!t.data.zone || t.data.zone === zone))?.data
      .answer
    if (answer !== 'yes') dues.push({ kind: 'consent', text: `${word(zone)}: asked?`, hot: s === span })
    break
  }

  const sheet = sheetDue(view.spans, taps)
  if (sheet !== undefined)
    dues.push({ kind: 'sheet', text: 'sheet: look', hot: nowMs - sheet > SHEET_LATE_MS })

  if (view.limitSeconds && workedMs(taps, nowMs) / 1000 > view.limitSeconds)
    dues.push({ kind: 'over', text: 'over its time', hot: true })

  const watched = run.findLast((t) => t.kind === 'attend')
  const away = watched && !watched.data.on ? (nowMs - watched.atMs) / 1000 : watched ? 0 : nowMs / 1000
  if (!run.some((t) => t.kind === 'step-start')) {
    dues.push({ kind: 'begin', text: 'not begun', hot: false })
    return dues
  }
  if (away > TURNS * view.profile.mechanics.lookEverySeconds)
    dues.push({
      kind: 'look',
      text: `look: ${minutes(away)} unseen`,
      hot: away > 2 * TURNS * view.profile.mechanics.lookEverySeconds,
    })

  const asked = run.findLast((t) => t.kind === 'say' && SAYS.includes(t.data.saying ?? ''))
  const silent = (nowMs - (asked?.atMs ?? 0)) / 1000
  const most = view.profile.communication.largestSilenceSeconds
  if (silent > 0.8 * most)
    dues.push({ kind: 'silence', text: `no question for ${minutes(silent)}`, hot: silent > most })

  // The first side has had its plan and the second has not begun.
  const sides = new Set(view.spans.filter((s) => s.second).map((s) => s.side))
  const begun = run.some((t) => t.kind === 'step-start' && sides.has(t.data.side ?? 'midline'))
  const turn = view.spans.find((s) => s.second)
  if (turn && !begun && nowMs / 1000 > turn.start)
    dues.push({ kind: 'side', text: `${word(turn.side)} side due`, hot: nowMs / 1000 > turn.start + 60 })
  const weight = (d: Due) => (d.hot ? 0 : 1)
  return dues.sort((a, b) => weight(a) - weight(b))
}

function minutes(seconds: number): string {
  return seconds < 90 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`
}
