<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { AS_THE_HAND_LIES, hue, type Criterion } from '@/parts/criteria'
import JoinAddress from '@/parts/JoinAddress.vue'
import Palm from '@/parts/Palm.vue'
import Strip from '@/parts/Strip.vue'
import TableFigure from '@/parts/TableFigure.vue'
import { stepsOf } from '@/parts/strip'
import { mmss, word } from '@/parts/words'
import { duesOf, SAID } from './dues'
import { INTERVIEW, OPENING, PICKS, RIGHT_HAND, type Pick } from './fingers'
import { breaksOf, doing, live, lookDue, tally, workedMs } from './run'
import { bandOf, barsOf, stripOfRun } from './tableModel'
import TapLog from './TapLog.vue'
import { counted } from '@/parts/words'
import { useHold } from './useHold'
import VoidForm from './VoidForm.vue'
import { useFingerKeys } from './useFingerKeys'
import { useFloor, type Table } from './useFloor'

/** One table in front of the grader: figure, five fingers, steps. */
const props = defineProps<{ table: Table }>()
const session = useSession()
const router = useRouter()
const floor = useFloor()
const taps = props.table.taps
const view = computed(() => props.table.view)
/** The other tables, with what is due there. */
const others = computed(() =>
  floor.tables.value
    .filter((t) => t.id !== props.table.id)
    .map((t) => ({ table: t, due: duesOf(t.view, t.taps.taps.value, t.taps.now.value)[0] })),
)

const opened = ref<Criterion>('order')
const help = ref(false)
const offPlan = ref(false)
/** What a number is wanted for: a measure, not a report. */
const measuring = ref<'pain' | 'range'>()
const log = ref(false)
const flash = ref('')

const steps = computed(() => (view.value ? stepsOf(view.value.sequence) : []))
const stepOf = (id: string) => steps.value.find((s) => s.id === id)
const tiles = computed(() =>
  (view.value?.spans ?? []).map((s) => ({
    key: `${s.step}/${s.side}`,
    span: s,
    step: stepOf(s.step)!,
    place: steps.value.findIndex((x) => x.id === s.step) + 1,
  })),
)
/** The usual caution of what is being done: of its lowest site, else of its technique. */
const caution = computed(() => {
  const step = current.value?.step ?? tiles.value[chosen.value]?.step
  if (!step) return undefined
  const sites = step.zones.map((z) => session.zones.get(z)).filter((z) => z?.caution)
  const site = sites.sort((a, b) => (a!.ceilingLow ?? 5) - (b!.ceilingLow ?? 5))[0]
  return site
    ? `${site.name}: depth ${site.ceilingLow} at most, ${site.caution}`
    : session.techniques.get(step.technique)?.caution
})
const state = computed(() => doing(taps.taps.value))
const current = computed(() => tiles.value.find((t) => t.key === state.value.on))
const spent = (key: string) =>
  ((state.value.spent.get(key) ?? 0) + (state.value.on === key ? taps.now.value - state.value.since : 0)) /
  1000
const chosen = ref(0)
/** The tile that Enter would start: the first planned one not seen yet, unless the arrows moved it. */
const upNext = computed(() => {
  const from = tiles.value.findIndex((t) => t.key === state.value.on)
  const later = tiles.value.findIndex(
    (t, i) => i > from && !state.value.spent.has(t.key) && t.key !== state.value.on,
  )
  return later >= 0
    ? later
    : tiles.value.findIndex((t) => !state.value.spent.has(t.key) && t.key !== state.value.on)
})
watch(upNext, (i) => (chosen.value = Math.max(0, i)))
const list = ref<HTMLElement[]>()
watch(chosen, () =>
  nextTick(() => list.value?.[0]?.querySelector('.chosen')?.scrollIntoView({ block: 'nearest' })),
)

const sensitive = computed(() => new Set<string>(view.value?.profile.draping.sensitive ?? []))
const sensitiveZone = computed(() => {
  for (const t of [current.value, tiles.value[chosen.value]]) {
    const zone = t?.step.zones.find((z) => sensitive.value.has(z))
    if (zone) return zone
  }
  return undefined
})
const allowed = computed(() => {
  const zone = sensitiveZone.value
  if (!zone) return undefined
  return live(taps.taps.value).findLast((t) => t.kind === 'consent' && (!t.data.zone || t.data.zone === zone))
    ?.data.answer
})
const band = computed(() => bandOf(view.value, current.value?.step.id))
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
const due = computed(() =>
  view.value && breaksOf(taps.taps.value).since === undefined
    ? lookDue(taps.taps.value, view.value.profile.mechanics.lookEverySeconds, taps.now.value)
    : undefined,
)
const scoreOf = (id: string) => taps.scores.value?.criteria.find((c) => c.criterion === id)
const cues = computed<Record<Criterion, { text: string; hot: boolean }>>(() => ({
  pressure: unanswered.value
    ? { text: `said ${lastReport.value?.data.number}: answer?`, hot: true }
    : {
        text: `${lastReport.value ? `said ${lastReport.value.data.number}, ` : ''}band ${band.value.low}–${band.value.high}`,
        hot: false,
      },
  order: {
    text: `${state.value.spent.size + (state.value.on && !state.value.spent.has(state.value.on) ? 1 : 0)} of ${tiles.value.length}`,
    hot: false,
  },
  mechanics:
    due.value !== undefined ? { text: 'look now', hot: true } : { text: 'next look soon', hot: false },
  communication: {
    text: `silent ${mmss(silent.value)}`,
    hot: silent.value > (view.value?.profile.communication.largestSilenceSeconds ?? 180) * 0.8,
  },
  draping: sensitiveZone.value
    ? {
        text: `${word(sensitiveZone.value)}: ${allowed.value === 'yes' ? 'allowed' : allowed.value === 'asked' ? 'asked' : allowed.value ? allowed.value : 'ask first'}`,
        hot: allowed.value !== 'yes',
      }
    : {
        text: current.value
          ? current.value.step.sheet === 'open'
            ? 'open as planned'
            : word(current.value.step.sheet)
          : 'covered',
        hot: false,
      },
}))

const picks = computed<Record<Criterion, Pick[]>>(() => {
  const c = current.value
  const opening = !c || c.step.phase === 'settle' || c.step.phase === 'assess'
  const interview = c && session.techniques.get(c.step.technique)?.stroke.startsWith('Ischaemic')
  const talk = opening
    ? [
        ...OPENING,
        ...PICKS.communication.slice(0, 4),
        ...PICKS.communication.filter((p) => p.kind === 'measure'),
      ]
    : interview
      ? [...INTERVIEW, ...PICKS.communication.slice(0, 4)]
      : PICKS.communication
  return { ...PICKS, communication: talk }
})
const keyOf = (finger: Criterion, i: number) =>
  opened.value === finger ? RIGHT_HAND[i]?.toUpperCase() : undefined
const count = (p: Pick) =>
  tally(taps.taps.value, (t) => {
    if (p.id === 'hold') return t.kind === 'hold-stop'
    if (p.id === 'next' || p.id === 'other-side') return false
    if (t.kind !== p.kind) return false
    if (p.kind === 'balance-test' || p.kind === 'reply')
      return t.data.clear === p.data.clear && !!t.data.followedUp === !!p.data.followedUp
    if (p.kind === 'measure') return t.data.measured === p.data.measured
    if (p.kind === 'look') return (t.data.faults ?? []).join('+') === (p.data.faults ?? []).join('+')
    return (['saying', 'style', 'number', 'drape', 'answer', 'response'] as const).every(
      (f) => p.data[f] === undefined || p.data[f] === t.data[f],
    )
  })

function startTile(i: number) {
  const t = tiles.value[i]
  if (t) void taps.tap('step-start', { step: t.step.id, side: t.span.side })
}
function pick(p: Pick) {
  if (taps.finished.value) return
  const zone = sensitiveZone.value as Schema['EventData']['zone']
  switch (p.id) {
    case 'next':
      return startTile(chosen.value)
    case 'other-side': {
      const now = current.value
      const other = tiles.value.findIndex((t) => now && t.step.id === now.step.id && t.key !== now.key)
      if (now && other >= 0) startTile(other)
      return
    }
    case 'skip': {
      const t = tiles.value[chosen.value]
      if (t) void taps.tap('step-skip', { step: t.step.id, side: t.span.side })
      chosen.value = Math.min(tiles.value.length - 1, chosen.value + 1)
      return
    }
    case 'off-plan':
      offPlan.value = true
      return
    case 'hold':
      return
    case 'deeper':
      return depth(Math.min(5, (current.value?.step.depth ?? 3) + 1))
    case 'turn':
      return void taps.tap('turn', { position: turnsTo.value })
    case 'lubricant': {
      const planned = current.value?.step.lubricant
      return void taps.tap('lubricant', { dressing: planned && planned !== 'dry' ? planned : 'oil' })
    }
    case 'pain':
    case 'range':
      measuring.value = p.id
      return
    case 'followed-up': {
      // A follow-up belongs to the vague reply before it.
      const vague = live(taps.taps.value).findLast((t) => t.kind === 'reply')
      if (vague && vague.data.clear === false && !vague.data.followedUp)
        return void taps.correct(vague, { clear: false, followedUp: true })
    }
  }
  if (p.kind === 'look')
    return void taps.tap('look', { faults: p.data.faults, asked: due.value !== undefined })
  if (p.kind === 'consent') return void taps.tap('consent', { ...p.data, zone })
  void taps.tap(p.kind, p.data)
}
/** The position the plan turns to next; off plan the other of the two. */
const turnsTo = computed(() => {
  const now = current.value?.step.position ?? tiles.value[0]?.step.position
  const i = Math.max(
    0,
    tiles.value.findIndex((t) => t.key === state.value.on),
  )
  const next = tiles.value.slice(i).find((t) => t.step.position !== now)
  return next?.step.position ?? (now === 'prone' ? 'supine' : 'prone')
})
function depth(d: number) {
  void taps.tap('contact', { depth: d })
}
function tool(t: string) {
  if (t) void taps.tap('contact', { tool: t as Schema['EventData']['tool'] })
}
/** Treated already: what is measured now is measured after the work. */
const after = computed(() =>
  live(taps.taps.value).some(
    (t) =>
      t.kind === 'step-start' &&
      ['isolate', 'treat', 'lengthen'].includes(stepOf(t.data.step ?? '')?.phase ?? ''),
  ),
)
function measure(n: number) {
  if (measuring.value) void taps.tap('measure', { measured: measuring.value, number: n, after: after.value })
  measuring.value = undefined
}
const { holding, down, up } = useHold(
  () => taps.now.value,
  (on) => void taps.tap(on ? 'hold-start' : 'hold-stop'),
)
const resting = computed(() => breaksOf(taps.taps.value).since)
function rest() {
  void taps.tap('break', { on: resting.value === undefined })
}
const spared = computed(() => (view.value.today ?? []).map((n) => session.spared(n)))
/** What the one on the table says by handset that cannot wait. */
const called = computed(() =>
  duesOf(view.value, taps.taps.value, taps.now.value).filter((d) => d.text.endsWith(SAID)),
)
function report(n: number) {
  if (measuring.value === 'pain') return measure(n)
  void taps.tap('report', { number: n, source: 'spoken' })
}
function touch(zone: string, half: string) {
  const z = zone as NonNullable<Schema['EventData']['zone']>
  const side = (half === 'midline' ? undefined : half) as Schema['EventData']['side']
  if (offPlan.value) {
    offPlan.value = false
    void taps.tap('off-plan', { zone: z, side })
  } else void taps.tap('contact', { zone: z, side })
}
/** A button pressed by finger or mouse gives the focus back, so that Enter goes on meaning the next step. */
function letGo(e: MouseEvent) {
  if (e.detail > 0) (document.activeElement as HTMLElement | null)?.blur()
}
function safety() {
  void taps.tap('safety-stop')
  flash.value = 'Safety stop written down. Hands off; see to the client first.'
}
async function finish(swap = false) {
  await floor.watch(undefined)
  await taps.tap('finish')
  if (swap) return void (await router.push(`/grade?swap=${props.table.id}`))
  // With others at work the grader goes back to them; the review waits.
  await router.push(floor.tables.value.length > 0 ? '/floor' : `/review/${props.table.id}`)
}

/** Begun by mistake, or something happened: it leaves the floor and does not count. */
async function setVoid(reason: string) {
  try {
    await floor.watch(undefined)
    await ask(
      api.PUT('/api/practicals/{id}/void', { params: { path: { id: props.table.id } }, body: { reason } }),
    )
    floor.leave(props.table.id)
    await router.push('/floor')
  } catch (e) {
    log.value = false
    flash.value = (e as Problem).detail
  }
}

/** Code of the client's handset while its address is shown. */
const handset = ref('')
async function askHandset() {
  try {
    const answer = await ask(
      api.POST('/api/practicals/{id}/handset', { params: { path: { id: props.table.id } } }),
    )
    handset.value = answer.code
  } catch (e) {
    flash.value = (e as Problem).detail
  }
}
/** Goes to the table beside this one. */
function beside(by: number) {
  const all = floor.tables.value
  const at = all.findIndex((t) => t.id === props.table.id)
  const to = all[(at + by + all.length) % all.length]
  if (to && to.id !== props.table.id) void router.push(`/grade/${to.id}`)
}
const { enabled, own, keys, nameOf } = useFingerKeys({
  finger: (id) => (opened.value = id),
  key(key, event) {
    const digit = event.shiftKey ? /^Digit([0-5])$/.exec(event.code) : undefined
    if (digit) depth(Number(digit[1]))
    else if (/^[0-9]$/.test(key)) report(Number(key))
    else if (key === 't') report(10)
    else if (key === 'u') void taps.undo()
    else if (key === 'x') safety()
    else if (key === 'b') rest()
    else if (key === 'enter' && !document.activeElement?.closest('a, button')) startTile(chosen.value)
    else if (key === 'arrowdown' || key === 'arrowright')
      chosen.value = Math.min(tiles.value.length - 1, chosen.value + 1)
    else if (key === 'arrowup' || key === 'arrowleft') chosen.value = Math.max(0, chosen.value - 1)
    else if (key === '?') help.value = true
    else if (key === 'g') void router.push('/floor')
    else if (key === '[' || key === ']') beside(key === ']' ? 1 : -1)
    else if (key === 'escape') {
      offPlan.value = false
      measuring.value = undefined
    } else {
      const i = RIGHT_HAND.indexOf(key)
      const p = i >= 0 ? picks.value[opened.value][i] : undefined
      if (!p) return false
      if (p.id === 'hold') down()
      else pick(p)
    }
    return true
  },
  up(key) {
    const i = RIGHT_HAND.indexOf(key)
    if (i >= 0 && picks.value[opened.value][i]?.id === 'hold') up()
  },
})

const worked = computed(() => workedMs(taps.taps.value, taps.now.value))
const strip = computed(() => stripOfRun(view.value, taps.taps.value, taps.now.value, session.pointedTools))
const bars = computed(() => barsOf(taps.scores.value))
</script>

<template>
  <div class="page table">
    <template v-if="strip">
      <div class="top">
        <router-link class="push" to="/floor">Floor <span v-if="enabled" class="key">G</span></router-link>
        <h1>Table {{ view.tableNumber }}</h1>
        <strong class="who">{{ view.student.name }}</strong>
        <span class="soft about"
          >{{ view.partner ? `on ${view.partner.name}` : '' }} · {{ view.sequence.name }}</span
        >
        <nav class="others" aria-label="Other tables">
          <router-link
            v-for="o in others"
            :key="o.table.id"
            class="push other"
            :class="{ hot: o.due?.hot }"
            :to="`/grade/${o.table.id}`"
            :title="`${o.table.view.student.name}${o.due ? `: ${o.due.text}` : ''}`"
            :aria-label="`Table ${o.table.view.tableNumber}, ${o.table.view.student.name}${o.due ? `: ${o.due.text}` : ''}`"
            >{{ o.table.view.tableNumber }}<span v-if="o.due?.hot" aria-hidden="true">!</span></router-link
          >
        </nav>
        <button class="push" aria-haspopup="dialog" @click="log = true">Log</button>
        <button class="push" aria-haspopup="dialog" @click="askHandset">Handset</button>
        <button class="push" aria-haspopup="dialog" @click="help = true">
          Keys <span class="key">?</span>
        </button>
        <span class="clock" role="timer" :aria-label="`${mmss(worked / 1000)} of ${mmss(strip.total)}`">{{
          mmss(worked / 1000)
        }}</span>
        <span class="soft">of {{ mmss(view.limitSeconds ?? view.spans.at(-1)?.end ?? 0) }}</span>
      </div>
      <Strip :model="strip" slim :playhead="taps.now.value / 1000" :picked="state.on" />
      <p v-if="flash" class="flash" role="alert">
        {{ flash }} <button class="push" @click="flash = ''">Seen</button>
      </p>
      <p v-for="d in called" :key="d.kind" class="flash" role="alert">
        Table {{ view.tableNumber }}: {{ d.text }}
      </p>
      <p v-if="resting !== undefined" class="flash calm" role="status">
        A break since {{ mmss(resting / 1000) }}: nothing counts until it goes on.
        <button class="push main" @click="rest">Go on</button>
      </p>
      <p v-if="measuring" class="flash calm" role="status">
        <template v-if="measuring === 'pain'"
          >Pain {{ after ? 'after' : 'before' }}: touch the number, or its key.
          <button v-for="n in 11" :key="n" class="push" @click="measure(n - 1)">{{ n - 1 }}</button></template
        >
        <template v-else
          ><label
            >Range {{ after ? 'after' : 'before' }}, degrees
            <input
              type="number"
              min="0"
              max="360"
              autofocus
              @keydown.enter="measure(Number(($event.target as HTMLInputElement).value))" /></label
        ></template>
        <button class="push" @click="measuring = undefined">Never mind</button>
      </p>
      <p v-if="offPlan" class="flash" role="status">
        Touch the zone of the off-plan stroke on the figure, or choose it:
        <select
          aria-label="Zone of the off-plan stroke"
          @change="touch(($event.target as HTMLSelectElement).value, 'midline')"
        >
          <option value="">zone</option>
          <option v-for="z in session.catalogue?.zones" :key="z.id" :value="z.id">{{ z.name }}</option>
        </select>
        <button class="push" @click="offPlan = false">Never mind</button>
      </p>
      <div class="floor" @click="letGo">
        <div class="card fig">
          <TableFigure
            :position="current?.step.position ?? tiles[0]?.step.position"
            :open="current?.span.open"
            :working="
              current && {
                zones: current.step.zones,
                side: current.span.side,
                through: current.step.sheet === 'through',
              }
            "
            touchable
            label="Table from above: touch a zone to write down a touch"
            @touch="touch"
          />
          <div class="seen" role="group" aria-label="Depth seen">
            <span>depth seen <span v-if="enabled" class="key">⇧</span></span>
            <button
              v-for="d in 6"
              :key="d"
              class="digit"
              :title="`depth ${d - 1} seen`"
              @click="depth(d - 1)"
            >
              {{ d - 1 }}
            </button>
          </div>
          <select
            class="tool"
            aria-label="Tool seen"
            @change="
              (e) => {
                tool((e.target as HTMLSelectElement).value)
                ;(e.target as HTMLSelectElement).value = ''
              }
            "
          >
            <option value="">tool seen</option>
            <option v-for="t in session.catalogue?.tools" :key="t.id" :value="t.id">{{ t.name }}</option>
          </select>
          <p v-if="spared.length" class="caution">Spare: {{ spared.join(', ') }}</p>
          <p v-if="caution" class="caution">{{ caution }}</p>
          <p class="law">{{ session.catalogue?.law }}</p>
        </div>
        <section
          v-for="f in AS_THE_HAND_LIES"
          :key="f.id"
          class="finger"
          :class="[f.id, { opened: opened === f.id }]"
          :style="{ '--hue': hue(f.id) }"
          :aria-label="f.name"
        >
          <button class="head" :aria-pressed="opened === f.id" @click="opened = f.id">
            {{ f.name }} <span v-if="enabled" class="key">{{ nameOf(f.id) }}</span>
          </button>
          <span class="meter" :title="scoreOf(f.id)?.thin ? 'thin so far' : 'so far'"
            ><span :style="{ width: (scoreOf(f.id)?.score ?? 0) + '%' }"
          /></span>
          <span class="cue" :class="{ hot: cues[f.id].hot }" aria-live="polite">{{ cues[f.id].text }}</span>
          <div v-if="f.id === 'pressure'" class="digits" role="group" aria-label="The client says">
            <button
              v-for="n in 11"
              :key="n"
              class="digit"
              :class="{
                inband: n - 1 >= band.low && n - 1 <= band.high,
                last: lastReport?.data.number === n - 1,
              }"
              @click="report(n - 1)"
            >
              {{ n - 1 }}
            </button>
          </div>
          <div class="picks">
            <button
              v-for="(p, i) in picks[f.id]"
              :key="p.id"
              class="pick"
              :class="{ strong: p.main, held: p.id === 'hold' && holding }"
              @click="pick(p)"
              @pointerdown="p.id === 'hold' && down()"
              @pointerup="p.id === 'hold' && up()"
              @pointerleave="p.id === 'hold' && up()"
              @keydown.enter.prevent="p.id === 'hold' ? $event.repeat || down() : pick(p)"
              @keyup.enter="p.id === 'hold' && up()"
            >
              <span>{{ p.id === 'hold' && holding ? 'Let go' : p.label }}</span>
              <small v-if="keyOf(f.id, i) && enabled" class="key">{{ keyOf(f.id, i) }}</small>
              <small v-else-if="count(p)" class="tally">{{ count(p) }}</small>
            </button>
          </div>
          <div v-if="f.id === 'order'" ref="list" class="list" role="list" aria-label="Steps asked">
            <button
              v-for="(t, i) in tiles"
              :key="t.key"
              role="listitem"
              class="tile"
              :class="{ on: t.key === state.on, done: state.spent.has(t.key), chosen: i === chosen }"
              :aria-current="t.key === state.on ? 'step' : undefined"
              @click="startTile(i)"
            >
              <b>{{ t.place }}</b>
              <span
                >{{ t.step.name
                }}<i v-if="t.span.side !== 'both' && t.span.side !== 'midline'"> · {{ t.span.side }}</i></span
              >
              <em>{{ spent(t.key) > 0 ? mmss(spent(t.key)) : mmss(t.span.end - t.span.start) }}</em>
            </button>
          </div>
        </section>
      </div>
      <div class="foot">
        <Palm :bars="bars" :size="58" label="So far" />
        <div class="stored">
          <span v-if="taps.waiting.value === 0" class="good" role="status"
            >{{ taps.taps.value.length > 1 ? 'all ' : ''
            }}{{ counted(taps.taps.value.length, 'tap') }} stored</span
          >
          <span v-else class="wait" role="status"
            >{{ counted(taps.waiting.value, 'tap') }} not stored yet: kept on this device, sent again by
            itself</span
          >
          <span class="soft">{{
            taps.unscored.value
              ? `scores do not count ${counted(taps.unscored.value, 'tap')} yet`
              : 'scores so far, thin until enough is seen'
          }}</span>
          <span v-if="taps.refused.value" class="wait"
            >{{ taps.refused.value }} refused: {{ taps.refusal.value?.detail }}</span
          >
        </div>
        <span class="grow" />
        <button class="push" @click="taps.undo()">Undo <span v-if="enabled" class="key">U</span></button>
        <button class="push" @click="rest">
          {{ resting === undefined ? 'Break' : 'Go on' }} <span v-if="enabled" class="key">B</span>
        </button>
        <button v-if="view.partner" class="push" @click="finish(true)">Finish, change roles</button>
        <button class="push main" @click="finish()">Finish</button>
        <button class="push safety" @click="safety">
          Safety stop <span v-if="enabled" class="key">X</span>
        </button>
      </div>
      <v-dialog :model-value="!!handset" max-width="760" @update:model-value="handset = ''">
        <JoinAddress
          name="Client’s handset"
          :path="`/client/${handset}`"
          words="The phone of the one on the table opens it without a sign-in and says numbers, unseen by the therapist."
        >
          <button class="push main" @click="handset = ''">Close</button>
        </JoinAddress>
      </v-dialog>
      <v-dialog v-model="log" max-width="760" scrollable>
        <div class="card keys" role="document">
          <h2>What was tapped</h2>
          <TapLog
            :taps="taps.taps.value"
            :step-name="(id) => stepOf(id)?.name ?? id"
            @undo="taps.takeBack"
            @correct="taps.correct"
          />
          <VoidForm @set-void="setVoid" />
          <button class="push main" @click="log = false">Close</button>
        </div>
      </v-dialog>
      <v-dialog v-model="help" max-width="720">
        <div class="card keys" role="document">
          <h2>One key each</h2>
          <p>
            The left hand rests on A S D F and space; each opens its finger, which stays open till another is.
            The right hand picks within it:
            {{ RIGHT_HAND.map((k) => k.toUpperCase()).join(' ') }}. Digits are what the client says, T is ten.
            Arrows choose a step, Enter starts it. Shift and 0 to 5 is the depth seen; the key of Hold is
            pressed as long as it lasts, or tapped at both ends. B begins and ends a break. U takes back, X is
            the safety stop. G goes to the floor, [ and ] to the tables beside.
          </p>
          <v-switch v-model="enabled" label="Single keys are on" hide-details />
          <div class="map">
            <label v-for="k in keys" :key="k.id">
              {{ k.name }}
              <input
                :value="own[k.id] ?? ''"
                maxlength="1"
                :placeholder="k.keyName"
                :aria-label="`Key for ${k.name}`"
                @input="own = { ...own, [k.id]: ($event.target as HTMLInputElement).value.toLowerCase() }"
              />
            </label>
          </div>
          <button class="push main" @click="help = false">Close</button>
        </div>
      </v-dialog>
    </template>
  </div>
</template>

<style scoped>
.table {
  height: 100vh;
  padding: 10px 14px;
  gap: 8px;
}
.top {
  flex-wrap: nowrap;
}
.top > * {
  flex: none;
}
.top > .others {
  flex: 1 1 0;
  min-width: 112px;
  display: flex;
  gap: 8px;
  overflow-x: auto;
}
.others > :first-child {
  margin-left: auto;
}
.others > * {
  flex: none;
}
.top > .about {
  flex: 0 1 auto;
  max-width: 24%;
  min-width: 0;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.who {
  font-size: 18px;
}
.other {
  font-weight: 700;
  min-width: 46px;
  padding: 0 10px;
  gap: 2px;
}
.other.hot {
  border-color: var(--stop);
  color: var(--stop);
}
.clock {
  font: 700 34px/1 var(--text);
}
.floor {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(150px, 1fr) 168px 168px 168px 258px 168px;
  gap: 8px;
}
.fig {
  padding: 6px;
  min-height: 0;
}
.fig {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.fig :deep(svg) {
  flex: 1;
  min-height: 0;
}
.fig .caution {
  font-size: 13px;
  font-weight: 650;
  line-height: 1.2;
  color: var(--stop);
}
.fig .law {
  font-size: 12px;
  line-height: 1.2;
}
.list {
  flex: 1;
  min-height: 96px;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.tile {
  min-height: 48px;
  flex: none;
  display: grid;
  grid-template-columns: 18px 1fr auto;
  gap: 6px;
  align-items: center;
  border: 2px solid transparent;
  border-radius: 12px;
  background: none;
  color: inherit;
  font: 500 14px/1.15 var(--text);
  text-align: left;
  padding: 4px 8px;
  cursor: pointer;
}
.tile i {
  font-style: normal;
  color: var(--ink-soft);
}
.tile em {
  font-style: normal;
}
.tile.done {
  color: var(--ink-soft);
}
.tile.done em::after {
  content: ' ✓';
}
.tile.chosen {
  background: var(--order-wash);
  border-color: var(--order);
}
.tile.on {
  background: var(--ink);
  color: var(--paper);
}
.tile.on i {
  color: inherit;
}
.finger {
  border: 1.5px solid var(--hue);
  border-radius: 20px;
  background: var(--paper);
  padding: 6px 7px;
  display: flex;
  flex-direction: column;
  gap: 5px;
  min-height: 0;
  overflow: hidden auto;
}
.finger.opened {
  border-width: 4px;
  padding: 3px 4px;
}
.head {
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--hue);
  font: 700 15px var(--head);
  cursor: pointer;
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: center;
  flex: none;
}
.meter {
  height: 8px;
  border-radius: 4px;
  background: var(--line);
  overflow: hidden;
  flex: none;
}
.meter span {
  display: block;
  height: 100%;
  background: var(--hue);
}
.cue {
  min-height: 18px;
  font-size: 13px;
  text-align: center;
  color: var(--ink-soft);
  flex: none;
}
.cue.hot {
  color: var(--stop);
  font-weight: 700;
}
.digits {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 4px;
  flex: none;
}
.digit {
  min-height: 44px;
  border: 1.5px solid var(--pressure);
  border-radius: 11px;
  background: var(--paper);
  color: var(--ink);
  font: 700 17px var(--text);
  cursor: pointer;
}
.digit.inband {
  background: var(--pressure-wash);
}
.digit.last {
  background: var(--pressure);
  color: var(--on-hue);
}
.picks {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 5px;
}
.pick {
  min-height: 50px;
  border: 1.5px solid var(--hue);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 600 13.5px/1.1 var(--text);
  padding: 2px 3px;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 2px;
  min-width: 0;
}
.pick.strong,
.pick.held {
  background: var(--hue);
  color: var(--on-hue);
}
.pick.strong {
  grid-column: 1 / -1;
}
.finger.pressure .pick.strong {
  grid-column: auto;
}
.finger.order .picks {
  grid-template-columns: repeat(5, 1fr);
}
.finger.order .pick {
  font-size: 13px;
}
.tally {
  font-weight: 700;
}
.foot {
  display: flex;
  align-items: center;
  gap: 14px;
}
.stored {
  display: flex;
  flex-direction: column;
  font-size: 14px;
}
.good {
  color: var(--good);
  font-weight: 700;
}
.wait {
  color: var(--stop);
  font-weight: 700;
}
.safety {
  background: #8c1d1d;
  border-color: #8c1d1d;
  color: #fff;
  min-width: 170px;
}
.foot .push {
  min-height: 50px;
}
.flash {
  background: var(--stop-wash);
  border: 1.5px solid var(--stop);
  border-radius: 12px;
  padding: 6px 14px;
  display: flex;
  gap: 14px;
  align-items: center;
  font-weight: 650;
}
.flash.calm {
  background: var(--paper);
  border-color: var(--ink);
  flex-wrap: wrap;
}
.flash input {
  width: 90px;
  min-height: var(--target);
  border: 1.5px solid var(--ink);
  border-radius: 10px;
  padding: 0 10px;
  background: var(--paper);
  color: var(--ink);
}
.seen {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 3px;
}
.seen > span {
  grid-column: 1 / -1;
  font-size: 13px;
  font-weight: 600;
}
.seen .digit {
  border-color: var(--ink);
}
.tool {
  min-height: 44px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  color: var(--ink);
}
.flash select {
  min-height: var(--target);
  border: 1.5px solid var(--ink);
  border-radius: 10px;
  padding: 0 10px;
  background: var(--paper);
  color: var(--ink);
}
.keys {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.map {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
.map label {
  display: flex;
  flex-direction: column;
  font-size: 14px;
  font-weight: 600;
}
.map input {
  width: 96px;
  min-height: 44px;
  border: 1.5px solid var(--ink);
  border-radius: 10px;
  text-align: center;
  color: var(--ink);
  background: var(--paper);
}
</style>
