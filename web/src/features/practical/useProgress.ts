import { computed, reactive, ref, watch } from 'vue'
import { useSession } from '@/features/session/useSession'
import type { Criterion } from '@/parts/criteria'
import { stepsOf } from '@/parts/strip'
import { mmss, word } from '@/parts/words'
import { drapePicks } from './drapePicks'
import { PICKS, type Pick } from './fingers'
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
  const so = taps.progress
  const keyOf = (at: { step: string; side: string }) => `${at.step}/${at.side}`
  const on = computed(() => so.value.on && keyOf(so.value.on))
  const had = computed(() => new Map(so.value.had.map((h) => [keyOf(h), h])))
  const current = computed(() => tiles.find((t) => t.key === on.value))
  /** Seconds that a step has had. */
  function spent(key: string) {
    const h = had.value.get(key)
    return h ? (h.ms + (h.since === undefined ? 0 : taps.now.value - h.since)) / 1000 : 0
  }
  /** Whether a step had its turn: the one that goes on for the first time has not. */
  function done(key: string) {
    const h = had.value.get(key)
    return !!h && (h.since === undefined || h.ms > 0)
  }
  /** Index of the tile that Enter would start: the one that comes next, unless the arrows moved it. */
  const chosen = ref(0)
  const upNext = computed(() => {
    const next = so.value.next && keyOf(so.value.next)
    return tiles.findIndex((t) => t.key === next)
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

  const permissions = computed(() => new Map(so.value.permissions.map((p) => [p.zone as string, p])))
  const sensitiveZone = computed(() => {
    for (const t of [current.value, tiles[chosen.value]]) {
      const zone = t?.step.zones.find((z) => permissions.value.has(z))
      if (zone) return zone
    }
    return undefined
  })
  const allowed = computed(() => sensitiveZone.value && permissions.value.get(sensitiveZone.value))
  /**
   * Which zone a word of permission is about: the sensitive one that is on or chosen; what is asked ahead is about the next that has no
   * yes, and what is taken back about one that has it.
   */
  function permissionFor(answer: string): string | undefined {
    if (sensitiveZone.value) return sensitiveZone.value
    const ahead = tiles
      .slice(chosen.value)
      .flatMap((t) => t.step.zones.filter((z) => permissions.value.has(z)))
    const given = so.value.permissions.find((p) => p.given)
    return answer === 'withdrawn'
      ? (given?.zone ?? ahead[0])
      : ahead.find((z) => !permissions.value.get(z)?.given)
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
  const said = computed(() => so.value.said)
  /** The client's number as it stands on its key: the one pressed just now, else the last that counts. */
  const shown = computed(() => taps.pressed.value ?? said.value?.number)
  const silent = computed(() =>
    so.value.silentSince === undefined ? 0 : (taps.now.value - so.value.silentSince) / 1000,
  )
  const resting = computed(() => so.value.restingSince)
  /** A look at the body is due: at this table, or in its turn among several. */
  const lookAsked = computed(() => {
    if (resting.value !== undefined) return false
    const { lookFrom, lookedAt } = so.value
    const turn = view.profile.mechanics.lookEverySeconds * 1000
    const from = tables ? lookedAt && lookedAt + turn * tables() : lookFrom
    return from !== undefined && from <= taps.now.value
  })
  /** A change of the sheet waits to be looked at. */
  const sheetAsked = computed(() => resting.value === undefined && so.value.sheetSince !== undefined)
  const begun = computed(() => so.value.begun)
  /** Treated already: what is measured now is measured after the work. */
  const after = computed(() => so.value.treated)
  /** The position the plan turns to next; off plan the other of the two. */
  const turnsTo = computed(() => {
    const now = current.value?.step.position ?? tiles[0]?.step.position
    const i = Math.max(
      0,
      tiles.findIndex((t) => t.key === on.value),
    )
    const next = tiles.slice(i).find((t) => t.step.position !== now)
    return next?.step.position ?? (now === 'prone' ? 'supine' : 'prone')
  })

  const cues = computed<Record<Criterion, { text: string; hot: boolean }>>(() => {
    const number = said.value
    const zone = sensitiveZone.value
    const sheet = current.value?.step.sheet
    return {
      pressure: number?.waits
        ? { text: `said ${number.number}: answer?`, hot: true }
        : {
            text: `${number ? `said ${number.number}, ` : ''}band ${band.value.low}–${band.value.high}`,
            hot: false,
          },
      order: { text: `${had.value.size} of ${tiles.length}`, hot: false },
      mechanics: { text: lookAsked.value ? 'look now' : 'next look soon', hot: lookAsked.value },
      communication: {
        text: `silent ${mmss(silent.value)}`,
        hot: silent.value > view.profile.communication.largestSilenceSeconds * 0.8,
      },
      draping:
        sheetAsked.value && (!zone || allowed.value?.given)
          ? { text: 'look at the sheet', hot: true }
          : zone
            ? {
                text: `${word(zone)}: ${allowed.value?.given ? 'allowed' : (allowed.value?.answer ?? 'ask first')}`,
                hot: !allowed.value?.given,
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
    taps.counting.value.filter((t) => {
      if (p.id === 'hold') return t.kind === 'hold-stop'
      if (p.id === 'next' || p.id === 'other-side' || p.id === 'instead') return false
      if (t.kind !== p.kind) return false
      if (p.kind === 'reply' && !!t.data.followedUp !== !!p.data.followedUp) return false
      return Object.entries(p.data).every(([f, v]) => String(t.data[f as keyof typeof t.data]) === String(v))
    }).length

  /** What a key picks within a finger. */
  const pickAt = (finger: Criterion, key: string) =>
    (finger === 'draping' ? picks.value.draping : PICKS[finger]).find((p) => p.key === key)

  return reactive({
    tiles,
    stepOf,
    on,
    done,
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
    said,
    shown,
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
