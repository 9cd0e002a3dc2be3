import { computed, reactive, ref, watch } from 'vue'
import { useSession } from '@/features/session/useSession'
import type { Criterion } from '@/parts/criteria'
import { stepsOf } from '@/parts/strip'
import { mmss, word } from '@/parts/words'
import { drapePicks } from './drapePicks'
import { PICKS, type Pick } from './fingers'
import { breaksOf, doing, live, lookDue, lookDueInTurn, sheetDue, tally } from './run'
import { bandOf } from './tableModel'
import type { Table } from './useFloor'

/**
 * How far a table has come: its steps, what is being done, what each finger has to say of it and can write down now.
 *
 * @param tables how many tables take their turn at being looked at, where it is seen from the floor
 */
export function useProgress(table: Table, tables?: () => number) {
  const session = useSession()
  const { taps, view } = table

  const steps = stepsOf(view.sequence)
  const technique = (id: string) => view.sequence.techniques?.find((t) => t.id === id)
  const stepOf = (id: string) => steps.find((s) => s.id === id)
  const tiles = view.spans.map((s) => ({
    key: `${s.step}/${s.side}`,
    span: s,
    step: stepOf(s.step)!,
    place: steps.findIndex((x) => x.id === s.step) + 1,
  }))
  const state = computed(() => doing(taps.taps.value))
  const current = computed(() => tiles.find((t) => t.key === state.value.on))
  const spent = (key: string) =>
    ((state.value.spent.get(key) ?? 0) + (state.value.on === key ? taps.now.value - state.value.since : 0)) /
    1000
  /** Index of the tile that Enter would start: the first planned one not seen yet, unless the arrows moved it. */
  const chosen = ref(0)
  const upNext = computed(() => {
    const from = tiles.findIndex((t) => t.key === state.value.on)
    const fresh = (t: (typeof tiles)[number]) => !state.value.spent.has(t.key) && t.key !== state.value.on
    const later = tiles.findIndex((t, i) => i > from && fresh(t))
    return later >= 0 ? later : tiles.findIndex(fresh)
  })
  // At once too: who comes back to a table finds the step that comes next, and not the first.
  watch(upNext, (i) => (chosen.value = Math.max(0, i)), { immediate: true })
  const choose = (i: number) => (chosen.value = Math.min(tiles.length - 1, Math.max(0, i)))

  /** The usual caution of what is being done: of its lowest site, else of its technique. */
  const caution = computed(() => {
    const step = current.value?.step ?? tiles[chosen.value]?.step
    if (!step) return undefined
    const sites = step.zones.map((z) => session.zones.get(z)).filter((z) => z?.caution)
    const site = sites.sort((a, b) => (a!.ceilingLow ?? 5) - (b!.ceilingLow ?? 5))[0]
    return site
      ? `${site.name}: depth ${site.ceilingLow} at most, ${site.caution}`
      : technique(step.technique)?.caution
  })
  const spared = computed(() => (view.today ?? []).map((n) => session.spared(n)))

  const sensitive = new Set<string>(view.profile.draping.sensitive)
  const sensitiveZone = computed(() => {
    for (const t of [current.value, tiles[chosen.value]]) {
      const zone = t?.step.zones.find((z) => sensitive.has(z))
      if (zone) return zone
    }
    return undefined
  })
  const answerFor = (zone: string) =>
    live(taps.taps.value).findLast((t) => t.kind === 'consent' && (!t.data.zone || t.data.zone === zone))
      ?.data.answer
  const allowed = computed(() => sensitiveZone.value && answerFor(sensitiveZone.value))
  /**
   * Which zone a word of permission is about: the sensitive one that is on or chosen; what is asked ahead is about the next that has no
   * yes, and what is taken back about the last that has one.
   */
  function permissionFor(answer: string): string | undefined {
    if (sensitiveZone.value) return sensitiveZone.value
    const ahead = tiles.slice(chosen.value).flatMap((t) => t.step.zones.filter((z) => sensitive.has(z)))
    const given = live(taps.taps.value).findLast((t) => t.kind === 'consent' && t.data.answer === 'yes')
    return answer === 'withdrawn' ? (given?.data.zone ?? ahead[0]) : ahead.find((z) => answerFor(z) !== 'yes')
  }
  /** The step that a branch of the plan would be taken on, where it has any: what is on, else what comes next. */
  const branching = computed(() =>
    [current.value ?? tiles[chosen.value]].find((t) => t?.step.detail?.instead.length),
  )
  /** How the sheet is opened for what is on, else for what comes next: its points are what a look can miss. */
  const drape = computed(() => {
    const at = current.value ?? tiles[chosen.value]
    return session.catalogue?.drapes.find((d) => d.id === at?.span.drape)
  })
  const band = computed(() => bandOf(view, current.value?.step.id))
  const lastReport = computed(() => live(taps.taps.value).findLast((t) => t.kind === 'report'))
  const unanswered = computed(() => {
    const r = lastReport.value
    if (!r || (r.data.number ?? 0) <= band.value.high) return false
    return !live(taps.taps.value).some((t) => t.kind === 'report-answer' && t.atMs >= r.atMs)
  })
  const silent = computed(() => {
    const asked = live(taps.taps.value).findLast(
      (t) =>
        (t.kind === 'say' && ['pressure-question', 'choice', 'interview'].includes(t.data.saying ?? '')) ||
        (t.kind === 'attend' && t.data.on),
    )
    return asked ? (taps.now.value - asked.atMs) / 1000 : 0
  })
  const resting = computed(() => breaksOf(taps.taps.value).since)
  const lookAsked = computed(() => {
    if (resting.value !== undefined) return false
    const every = view.profile.mechanics.lookEverySeconds
    const due = tables
      ? lookDueInTurn(taps.taps.value, every, tables(), taps.now.value)
      : lookDue(taps.taps.value, every, taps.now.value)
    return due !== undefined
  })
  /** A change of the sheet waits to be looked at. */
  const sheetAsked = computed(
    () => resting.value === undefined && sheetDue(view.spans, taps.taps.value) !== undefined,
  )
  const begun = computed(() => live(taps.taps.value).some((t) => t.kind === 'step-start'))
  /** Treated already: what is measured now is measured after the work. */
  const after = computed(() =>
    live(taps.taps.value).some(
      (t) =>
        t.kind === 'step-start' &&
        ['isolate', 'treat', 'lengthen'].includes(stepOf(t.data.step ?? '')?.phase ?? ''),
    ),
  )
  /** The position the plan turns to next; off plan the other of the two. */
  const turnsTo = computed(() => {
    const now = current.value?.step.position ?? tiles[0]?.step.position
    const i = Math.max(
      0,
      tiles.findIndex((t) => t.key === state.value.on),
    )
    const next = tiles.slice(i).find((t) => t.step.position !== now)
    return next?.step.position ?? (now === 'prone' ? 'supine' : 'prone')
  })

  const cues = computed<Record<Criterion, { text: string; hot: boolean }>>(() => {
    const { on, spent: seen } = state.value
    const said = lastReport.value
    const zone = sensitiveZone.value
    const sheet = current.value?.step.sheet
    return {
      pressure: unanswered.value
        ? { text: `said ${said?.data.number}: answer?`, hot: true }
        : {
            text: `${said ? `said ${said.data.number}, ` : ''}band ${band.value.low}–${band.value.high}`,
            hot: false,
          },
      order: { text: `${seen.size + (on && !seen.has(on) ? 1 : 0)} of ${tiles.length}`, hot: false },
      mechanics: { text: lookAsked.value ? 'look now' : 'next look soon', hot: lookAsked.value },
      communication: {
        text: `silent ${mmss(silent.value)}`,
        hot: silent.value > view.profile.communication.largestSilenceSeconds * 0.8,
      },
      draping:
        sheetAsked.value && (!zone || allowed.value === 'yes')
          ? { text: 'look at the sheet', hot: true }
          : zone
            ? {
                text: `${word(zone)}: ${allowed.value === 'yes' ? 'allowed' : (allowed.value ?? 'ask first')}`,
                hot: allowed.value !== 'yes',
              }
            : { text: !sheet ? 'covered' : sheet === 'open' ? 'open as planned' : word(sheet), hot: false },
    }
  })

  /**
   * What each finger shows, by what is being done: the words of the opening and of an interview only while they can be meant, the
   * opening's first. Their keys are the same all through the run.
   */
  const picks = computed<Record<Criterion, Pick[]>>(() => {
    const c = current.value
    const opening = !c || c.step.phase === 'settle' || c.step.phase === 'assess'
    const interview = c && technique(c.step.technique)?.stroke === 'trigger-point'
    const now = opening ? 'opening' : interview ? 'interview' : undefined
    const talk = PICKS.communication
    return {
      ...PICKS,
      order: PICKS.order.filter((p) => !p.when || branching.value),
      draping: drapePicks(drape.value, !!sensitiveZone.value),
      communication: [...talk.filter((p) => p.when && p.when === now), ...talk.filter((p) => !p.when)],
    }
  })
  /** How often it was written down. */
  const count = (p: Pick) =>
    tally(taps.taps.value, (t) => {
      if (p.id === 'hold') return t.kind === 'hold-stop'
      if (p.id === 'next' || p.id === 'other-side' || p.id === 'instead') return false
      if (t.kind !== p.kind) return false
      if (p.kind === 'reply' && !!t.data.followedUp !== !!p.data.followedUp) return false
      return Object.entries(p.data).every(([f, v]) => String(t.data[f as keyof typeof t.data]) === String(v))
    })

  /** What a key picks within a finger. */
  const pickAt = (finger: Criterion, key: string) =>
    (finger === 'draping' ? picks.value.draping : PICKS[finger]).find((p) => p.key === key)

  return reactive({
    tiles,
    stepOf,
    state,
    current,
    spent,
    chosen,
    choose,
    caution,
    spared,
    sensitiveZone,
    branching,
    permissionFor,
    band,
    lastReport,
    resting,
    lookAsked,
    sheetAsked,
    begun,
    after,
    turnsTo,
    cues,
    picks,
    pickAt,
    count,
  })
}
export type Progress = ReturnType<typeof useProgress>
