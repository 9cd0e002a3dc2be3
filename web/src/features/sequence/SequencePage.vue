<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import DraftStanding from '@/parts/DraftStanding.vue'
import Standing from '@/parts/Standing.vue'
import UndoRedo from '@/parts/UndoRedo.vue'
import Strip from '@/parts/Strip.vue'
import TablePicture from '@/parts/TablePicture.vue'
import Tabs from '@/parts/Tabs.vue'
import { stripOf } from '@/parts/strip'
import { usePhone } from '@/parts/usePhone'
import { capital, mmss, word } from '@/parts/words'
import AddLine from './AddLine.vue'
import ChecksPanel from './ChecksPanel.vue'
import FitPanel from './FitPanel.vue'
import StepForm from './StepForm.vue'
import StepList from './StepList.vue'
import VersionsPanel from './VersionsPanel.vue'
import {
  change,
  changeBlock,
  duplicate,
  insertAfter,
  insertBlocks,
  join,
  joinBlock,
  mirror,
  moveBeside,
  moveBy,
  remove,
  split,
  splitBlock,
  stepsIn,
} from './edits'
import StepSeen from '@/parts/StepSeen.vue'
import StepReach from './StepReach.vue'
import { useDraft } from './useDraft'
import { useSeen } from './useSeen'
import type { Spot } from '@/parts/useDrag'

/** A sequence is written here: strip, steps and checks together, each act undone by one key. */
const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const profile = ref<string>()
/** Whose body it is for: their notes are checked too. */
const client = ref<string>()
const draft = useDraft(
  props.id,
  () => profile.value,
  () => client.value,
)
const { data: people } = useAsked(async () =>
  session.term
    ? ask(api.GET('/api/terms/{term}/people', { params: { path: { term: session.term.id } } }))
    : [],
)
const { data: profiles } = useAsked(() => ask(api.GET('/api/profiles')))
const { sequence, plan, view, busy, dirty, failed, theirs } = draft
const picked = ref<string>()
const cursor = ref<string>()
const extra = ref<ReadonlySet<string>>(new Set())
const PANELS = ['checks', 'see', 'step', 'fit', 'versions'] as const
/** On a phone the list and the strip take their turn with the panels. */
const phone = usePhone()
const tab = ref<(typeof PANELS)[number] | 'steps' | 'strip'>(phone.value ? 'steps' : 'checks')
watch(phone, (now) => (tab.value = now ? 'steps' : 'checks'))
const tabs = computed(() =>
  [...(phone.value ? (['steps', 'strip'] as const) : []), ...PANELS].map((value) => ({
    value,
    name: value === 'checks' ? `Checks ${plan.value?.findings.length ?? ''}` : capital(value),
  })),
)
const inTurn = (which: 'steps' | 'strip') => !phone.value || tab.value === which
const list = ref<InstanceType<typeof StepList>>()
const adder = ref<InstanceType<typeof AddLine>>()
const { lines: versions, more, earlier } = draft.history
const opened = ref<Schema['VersionView']>()
const keys = ref(false)

const steps = computed(() => (sequence.value ? stepsIn(sequence.value) : []))
const step = computed(() => steps.value.find((s) => s.id === picked.value) ?? steps.value[0])
const chosen = computed(
  () =>
    new Set([
      ...(step.value ? [step.value.id] : []),
      ...[...extra.value].filter((id) => steps.value.some((s) => s.id === id)),
    ]),
)
const ids = computed(() => steps.value.filter((s) => chosen.value.has(s.id)).map((s) => s.id))
/** The same set as long as it holds the same: the list of steps is drawn anew only where a flag comes or goes. */
const flagged = computed<ReadonlySet<string>>((before) => {
  const now = new Set(
    plan.value?.findings
      .filter((f) => f.finding.severity !== 'hint')
      .flatMap((f) => f.finding.where.step ?? []),
  )
  return before && before.size === now.size && [...now].every((id) => before.has(id)) ? before : now
})
/** The plan in time. It is drawn from the text it was made of, once an act: an answer on its way lags behind. */
const spans = computed(() => plan.value?.spans ?? [])
const strip = computed(
  () =>
    draft.judged.value &&
    plan.value &&
    stripOf(
      draft.judged.value,
      spans.value,
      plan.value.totalSeconds,
      (id) => flagged.value.has(id),
      (tool) => session.pointedTools.has(tool),
    ),
)
/** Where the pointer is on the strip: the figure shows that moment, without picking it. */
const hovered = ref<number>()
const looked = computed(() => {
  const at = hovered.value
  const over = at === undefined ? undefined : spans.value.findLast((s) => s.begin <= at && at <= s.end)
  const of = over ? steps.value.find((s) => s.id === over.step) : step.value
  return { span: over ?? span.value, step: of }
})
const span = computed(
  () =>
    spans.value.find((s) => `${s.step}/${s.side}` === cursor.value && s.step === step.value?.id) ??
    spans.value.find((s) => s.step === step.value?.id) ??
    spans.value[0],
)
const seen = useSeen(() => ({
  sequence: draft.judged.value,
  span: looked.value.span,
  profile: profile.value,
}))
/** As the text has it; one that was added since it was asked for stands in the library. */
const technique = computed(() => {
  const id = step.value?.technique
  return sequence.value?.techniques?.find((t) => t.id === id) ?? (id ? session.techniques.get(id) : undefined)
})
const cautions = computed(() => {
  const all: string[] = []
  if (technique.value?.caution) all.push(technique.value.caution)
  step.value?.zones.forEach((z) => {
    const zone = session.zones.get(z)
    if (zone?.caution)
      all.push(
        `${zone.name}: ${zone.caution}, depth ${zone.ceilingLow === zone.ceilingHigh ? zone.ceilingLow : `${zone.ceilingLow}–${zone.ceilingHigh}`} at most${zone.broadOnly ? ', broad tools' : ''}.`,
      )
  })
  return all
})
const nowLine = computed(() => {
  if (!step.value || !span.value) return ''
  const say = step.value.say.map((x) => `“${x.words ?? word(x.kind)}”`)
  return [
    `${mmss(span.value.start)}–${mmss(span.value.end)}`,
    span.value.side,
    session.handName(step.value),
    step.value.zones.map(session.zoneName).join(', '),
    ...say,
  ].join(' · ')
})
const number = (id: string) => steps.value.findIndex((s) => s.id === id) + 1
const said = computed(() =>
  ids.value.length === 1 ? `step ${number(ids.value[0]!)}` : `${ids.value.length} steps`,
)
watch([profile, client], () => void draft.check())
/** What was chosen in each text: undo comes back to the place of the act, not to the first step. */
const choices = new WeakMap<Schema['Sequence'], { picked?: string; extra: ReadonlySet<string> }>()
watch(
  sequence,
  (now, before) => {
    if (before) choices.set(before, { picked: picked.value ?? stepsIn(before)[0]?.id, extra: extra.value })
    const then = now && choices.get(now)
    if (!then) return
    picked.value = then.picked
    extra.value = then.extra
    cursor.value = undefined
    if (then.picked) void list.value?.show(then.picked)
  },
  // Before the act chooses what it made, and while the row with the focus still stands.
  { flush: 'sync' },
)

function pick(id: string, how: 'one' | 'more' | 'upto' = 'one') {
  // On a phone a second touch of a step opens it.
  if (phone.value && how === 'one' && tab.value === 'steps' && picked.value === id) tab.value = 'step'
  if (how === 'upto' && step.value) {
    const [a, b] = [number(step.value.id), number(id)].sort((x, y) => x - y)
    extra.value = new Set(steps.value.slice(a! - 1, b).map((s) => s.id))
  } else if (how === 'more') {
    const next = new Set(chosen.value)
    if (next.has(id) && next.size > 1) next.delete(id)
    else next.add(id)
    extra.value = next
    if (!next.has(id)) {
      picked.value = [...next][0]
      return
    }
  } else extra.value = new Set()
  picked.value = id
  cursor.value = undefined
  void list.value?.show(id)
}
function pickSpan(key: string) {
  pick(key.slice(0, key.lastIndexOf('/')))
  cursor.value = key
}
function made(what: string, result: { sequence: Schema['Sequence']; made: string[] }) {
  if (result.made.length === 0) return
  draft.act(what, result.sequence)
  picked.value = result.made[0]
  extra.value = new Set(result.made)
  void list.value?.show(result.made[0]!)
}
const on = (f: (s: Schema['Sequence']) => void) => sequence.value && f(sequence.value)
const move = (by: -1 | 1) =>
  on((s) => {
    draft.act(`Moved ${said.value} ${by < 0 ? 'up' : 'down'}`, moveBy(s, ids.value, by))
    if (step.value) void list.value?.show(step.value.id)
  })
const copy = () => on((s) => made(`Duplicated ${said.value}`, duplicate(s, ids.value)))
const flip = () => on((s) => made(`Mirrored ${said.value}`, mirror(s, ids.value)))
const halve = () => on((s) => step.value && made(`Split ${said.value}`, split(s, step.value.id)))
const merge = () =>
  on((s) => {
    const here = step.value && steps.value.findIndex((x) => x.id === step.value!.id)
    const pair =
      ids.value.length > 1 || here === undefined
        ? ids.value
        : steps.value.slice(here, here + 2).map((x) => x.id)
    draft.act(`Joined ${pair.length} steps`, join(s, pair))
    extra.value = new Set()
    picked.value = pair[0]
  })
const drop = () =>
  on((s) => {
    const at = number(ids.value[0]!) - 1
    const next = remove(s, ids.value)
    draft.act(`Took out ${said.value}`, next)
    extra.value = new Set()
    picked.value = stepsIn(next)[Math.min(at, stepsIn(next).length - 1)]?.id
    if (picked.value) list.value?.focus(picked.value)
  })
function dropAt(id: string, spot: Spot) {
  on((s) => {
    const moved = chosen.value.has(id) ? ids.value : [id]
    draft.act(
      `Moved ${moved.length === 1 ? `step ${number(id)}` : `${moved.length} steps`}`,
      moveBeside(s, moved, spot.id, spot.where),
    )
    picked.value = id
  })
}
function added(what: string, fresh: Schema['Step'][]) {
  on((s) => draft.act(what, insertAfter(s, step.value?.id, fresh)))
  pick(fresh.at(-1)!.id)
  void nextTick(() => adder.value?.focus())
}
function laid(what: string, blocks: Schema['Block'][]) {
  on((s) => draft.act(what, insertBlocks(s, step.value?.id, blocks)))
  pick(blocks[0]!.steps[0]!.id)
}
const repeat = (block: string) =>
  on((s) => {
    const b = s.blocks.find((x) => x.id === block)!
    draft.act(
      `Changed ${b.name}`,
      changeBlock(s, block, { repeat: b.repeat === 'once' ? 'each-side' : 'once' }),
    )
  })
const drape = (block: string, method: string) =>
  on((s) => {
    const b = s.blocks.find((x) => x.id === block)!
    draft.act(`Changed ${b.name}`, changeBlock(s, block, { drape: (method || undefined) as typeof b.drape }))
  })
const order = (block: string) =>
  on((s) => {
    const b = s.blocks.find((x) => x.id === block)!
    draft.act(
      `Changed ${b.name}`,
      changeBlock(s, block, { order: b.order === 'in-order' ? 'any-order' : 'in-order' }),
    )
  })
function openFinding(f: Schema['CheckView']) {
  const id = f.finding.where.step
  if (id) pick(id)
  else if (f.finding.where.atMs !== undefined) {
    const at = f.finding.where.atMs / 1000
    const near = spans.value.find((s) => s.end >= at)
    if (near) pickSpan(`${near.step}/${near.side}`)
  }
}
async function openVersion(version: number) {
  opened.value = await draft.during(() =>
    ask(api.GET('/api/sequences/{id}/versions/{version}', { params: { path: { id: props.id, version } } })),
  )
}
function backTo(v: Schema['VersionView']) {
  draft.act(`Back to version ${v.version}`, v.sequence)
  opened.value = undefined
}
async function show() {
  if (dirty.value && !(await draft.save())) return
  const d = await draft.during(() =>
    ask(api.POST('/api/sequences/{id}/demonstrations', { params: { path: { id: props.id } }, body: {} })),
  )
  if (d) await router.push(`/show/${d.id}`)
}
/** A copy under a name of its own, for a text that lost a race. */
async function saveCopy() {
  const mine = sequence.value
  if (!mine) return
  const id = `${mine.id.slice(0, 50)}-copy-${Date.now().toString(36).slice(-4)}`
  const done = await draft.during(() =>
    ask(
      api.PUT('/api/sequences/{id}', {
        params: { path: { id } },
        body: {
          from: 0,
          sequence: { ...mine, id, name: `${mine.name} (copy)`.slice(0, 200) },
          what: 'A copy',
        },
      }),
    ),
  )
  if (done) {
    draft.takeTheirs()
    await router.push(`/plan/${id}`)
  }
}

const typing = (e: KeyboardEvent) =>
  e.target instanceof HTMLInputElement ||
  e.target instanceof HTMLSelectElement ||
  e.target instanceof HTMLTextAreaElement
onKeyStroke((e) => {
  const ctrl = e.ctrlKey || e.metaKey
  const key = e.key.length === 1 ? e.key.toLowerCase() : e.key
  const run = (f: () => void) => {
    e.preventDefault()
    f()
  }
  if (ctrl && key === 's') return run(() => void draft.save())
  if (typing(e)) return
  if (ctrl && key === 'z') return run(e.shiftKey ? draft.redo : draft.undo)
  if (ctrl && key === 'y') return run(draft.redo)
  if (ctrl && key === 'd') return run(copy)
  if (ctrl || !step.value) return
  const here = number(step.value.id) - 1
  // Letters work where the steps are, and where nothing has the focus: its row may just have gone.
  const inStrip = e.target instanceof SVGElement
  if (!inStrip && e.target !== document.body && !(e.target as HTMLElement).closest?.('.rows')) return
  if (key === 'ArrowDown' || key === 'ArrowUp') {
    const by = key === 'ArrowDown' ? 1 : -1
    if (e.altKey) return run(() => move(by))
    const next = steps.value[here + by]
    if (next)
      run(() => {
        if (e.shiftKey) {
          extra.value = new Set([...chosen.value, next.id])
          picked.value = next.id
          void list.value?.show(next.id)
        } else pick(next.id)
      })
  } else if (inStrip && e.altKey && (key === 'ArrowLeft' || key === 'ArrowRight'))
    run(() => move(key === 'ArrowRight' ? 1 : -1))
  else if (e.altKey) return
  else if (key === 'm') run(flip)
  else if (key === 'x') run(halve)
  else if (key === 'j') run(merge)
  else if (key === 'Delete') run(drop)
  else if (key === '/') run(() => adder.value?.focus())
  else if (key === '?') run(() => (keys.value = !keys.value))
})
</script>

<template>
  <div class="page">
    <Standing :problem="draft.problem.value" :loading="draft.loading.value && !view" @again="draft.read" />
    <template v-if="view && sequence && plan && strip">
      <div class="top">
        <router-link to="/plan" class="push" aria-label="Back to all sequences">←</router-link>
        <div class="named">
          <h1>{{ sequence.name }}</h1>
          <span class="soft"
            >{{ session.regionName(sequence.region) }} · version {{ view.version
            }}{{ dirty ? ', with changes not saved' : '' }}</span
          >
        </div>
        <span class="grow" />
        <span class="fit">
          <strong>{{ mmss(plan.totalSeconds) }}</strong>
          <span class="soft"> of {{ mmss(sequence.slotSeconds) }}</span>
          <span class="bar"
            ><span
              :class="{ over: plan.totalSeconds > sequence.slotSeconds }"
              :style="{ width: Math.min(100, (100 * plan.totalSeconds) / sequence.slotSeconds) + '%' }"
          /></span>
        </span>
        <UndoRedo
          :undoable="draft.undoable.value"
          :redoable="draft.redoable.value"
          :busy="busy"
          @undo="draft.undo"
          @redo="draft.redo"
        />
        <button v-if="session.plans" class="push" :disabled="!dirty || busy" @click="draft.save()">
          Save
        </button>
        <span v-else class="soft">Instructors save</span>
        <button class="push main" :disabled="busy" @click="show">Show it</button>
      </div>
      <p v-if="view.damaged" class="card" role="alert">{{ view.damaged }}</p>
      <DraftStanding
        :restored="draft.restored.value && dirty"
        :failed="failed"
        :theirs="theirs"
        @drop="draft.drop"
        @close="failed = undefined"
        @take-theirs="draft.takeTheirs"
        @save-mine="draft.save(true)"
      >
        <button class="push" @click="saveCopy">Save yours as a copy</button>
      </DraftStanding>
      <Tabs v-if="phone" v-model="tab" :tabs="tabs" label="Of this sequence" />
      <div class="work">
        <div v-show="inTurn('steps')" class="card steps">
          <AddLine
            ref="adder"
            :sequence="sequence"
            :after="step?.id"
            :profile="profile"
            @leave="step && list?.focus(step.id)"
            @steps="added"
            @again="(made) => on((s) => draft.act('Read the line again', change(s, made.id, made)))"
            @blocks="laid"
          />
          <div class="acts" role="toolbar" :aria-label="`Acts on ${said}`">
            <button class="push" aria-label="Move up" title="Alt ↑" @click="move(-1)">↑</button>
            <button class="push" aria-label="Move down" title="Alt ↓" @click="move(1)">↓</button>
            <button class="push" title="Ctrl D" @click="copy">Duplicate</button>
            <button class="push" title="M" @click="flip">Mirror</button>
            <button class="push" title="X" @click="halve">Split</button>
            <button class="push" title="J" @click="merge">Join</button>
            <button class="push stop" title="Delete" @click="drop">Take out</button>
            <button
              class="push"
              title="The steps from here on become a block of their own"
              @click="on((s) => step && draft.act('New block', splitBlock(s, step.id)))"
            >
              New block
            </button>
            <button class="push" :aria-expanded="keys" aria-label="Keys" @click="keys = !keys">?</button>
          </div>
          <p v-if="keys" class="soft keys">
            ↑ ↓ pick · Shift picks several · Alt ↑ ↓ move · Ctrl D duplicate · M mirror · X split · J join ·
            Delete take out · / add · Ctrl Z undo · Ctrl Shift Z redo · Ctrl S save
          </p>
          <StepList
            ref="list"
            :sequence="sequence"
            :picked="step?.id"
            :chosen="chosen"
            :flagged="flagged"
            @pick="pick"
            @move="dropAt"
            @repeat="repeat"
            @drape="drape"
            @order="order"
            @join="(first) => on((s) => draft.act('Joined blocks', joinBlock(s, first)))"
          />
        </div>
        <div v-show="inTurn('strip')" class="upper">
          <div class="card fig">
            <TablePicture
              v-if="seen"
              :picture="seen"
              :label="`The table from above, ${looked.step?.name ?? ''}`"
            />
          </div>
          <div class="right">
            <Strip
              :model="strip"
              :picked="span ? `${span.step}/${span.side}` : undefined"
              :playhead="hovered ?? span?.start"
              movable
              @hover="hovered = $event"
              @pick="pickSpan"
              @move="dropAt"
            />
            <p v-if="step && span" class="now" :title="nowLine">
              <strong>{{ number(step.id) }} {{ step.name }}</strong>
              <span v-if="cautions.length" class="caution">&ensp;⚠ {{ cautions[0] }}</span>
              <span class="soft">&ensp;{{ nowLine }}</span>
            </p>
          </div>
        </div>
        <section v-show="!phone || (tab !== 'steps' && tab !== 'strip')" class="card says">
          <Tabs v-if="!phone" v-model="tab" :tabs="tabs" label="Of this sequence" />
          <div v-if="tab === 'checks'" role="tabpanel" aria-label="What the checks say" class="panel">
            <ChecksPanel
              v-model:profile="profile"
              v-model:client="client"
              :sequence="sequence"
              :findings="plan.findings"
              :number="number"
              :busy="busy"
              :profiles="profiles"
              :people="people"
              @act="draft.act"
              @open="openFinding"
              @mend="(f) => draft.mend(f.finding.key, f.mend!)"
            />
          </div>
          <div
            v-else-if="tab === 'see' && step"
            role="tabpanel"
            aria-label="What it looks like"
            class="panel"
          >
            <h2>{{ number(looked.step?.id ?? step.id) }} {{ (looked.step ?? step).name }}</h2>
            <StepSeen :picture="seen" :name="(looked.step ?? step).name" :side="looked.span?.side ?? ''" />
            <StepReach v-if="seen" :picture="seen" />
          </div>
          <div v-else-if="tab === 'step' && step" role="tabpanel" aria-label="Step" class="panel">
            <h2>{{ number(step.id) }} {{ step.name }}</h2>
            <p v-if="technique?.aliases.length" class="soft small">
              {{ technique.name }}, also called {{ technique.aliases.join(', ') }}
            </p>
            <p v-for="c in cautions" :key="c" class="caution">⚠ {{ c }}</p>
            <StepForm
              :key="step.id"
              :step="step"
              :number="number(step.id)"
              :steps="steps"
              :called="technique?.name"
              @change="(what, patch) => on((s) => draft.act(what, change(s, step!.id, patch)))"
            />
          </div>
          <div v-else-if="tab === 'fit'" role="tabpanel" aria-label="Fit to the slot" class="panel">
            <FitPanel :sequence="sequence" :profile="profile" @take="draft.act" />
          </div>
          <div v-else-if="tab === 'versions'" role="tabpanel" aria-label="Versions" class="panel">
            <VersionsPanel
              :versions="versions"
              :opened="opened"
              :now="view.version"
              :more="more"
              @open="openVersion"
              @back="backTo"
              @earlier="earlier"
            />
          </div>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.page {
  height: calc(100dvh - var(--bar));
  min-height: 560px;
  padding: 12px 20px;
  gap: 10px;
}
.top {
  flex-wrap: nowrap;
  gap: 10px;
}
.top :deep(.push),
.fit {
  white-space: nowrap;
}
.named {
  min-width: 0;
  line-height: 1.2;
}
h1 {
  font-size: 23px;
}
/* The steps have the whole height; beside them the strip, and under it what is said of the step. */
.work {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1.1fr) minmax(0, 1fr);
  grid-template-areas: 'steps strip' 'steps says';
  gap: 12px;
  flex: 1;
  min-height: 0;
}
.steps {
  grid-area: steps;
}
.upper {
  grid-area: strip;
  display: grid;
  grid-template-columns: 124px minmax(0, 1fr);
  gap: 12px;
}
.says {
  grid-area: says;
}
.fig {
  padding: 6px;
  height: 234px;
}
.right {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
}
.now {
  font-size: 14px;
  min-height: 22px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.caution {
  color: var(--stop);
  font-weight: 600;
}
.steps,
.says {
  min-height: 0;
  overflow: hidden;
  display: flex;
  flex-direction: column;
}
.steps {
  padding: 10px;
  gap: 8px;
  min-width: 0;
}
.says {
  gap: 12px;
  align-items: flex-start;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.acts .push {
  padding: 4px 7px;
  font-size: 14px;
}
.keys {
  font-size: 13.5px;
}
.panel {
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: flex-start;
  width: 100%;
  overflow-y: auto;
  min-height: 0;
  flex: 1;
  padding-right: 4px;
}
.small {
  font-size: 13.5px !important;
}
.fit {
  font-size: 17px;
}
.bar {
  display: inline-block;
  width: 64px;
  height: 10px;
  margin-left: 8px;
  border-radius: 5px;
  overflow: hidden;
  background: var(--mechanics-wash);
  vertical-align: middle;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--good);
}
.bar span.over {
  background: var(--stop);
}
@media (max-width: 1100px) {
  .top {
    gap: 8px;
  }
  h1 {
    font-size: 19px;
  }
  .top :deep(.push) {
    padding: 6px 10px;
  }
  .top .bar {
    display: none;
  }
  .fit {
    font-size: 15px;
  }
  .acts .push:last-child {
    display: none;
  }
}
/* Upright: the strip above, the steps and what is said of them below it. */
@media (max-width: 900px) {
  .work {
    grid-template: auto minmax(0, 1fr) / minmax(0, 1fr) 310px;
    grid-template-areas: 'strip strip' 'steps says';
  }
}
@media (max-width: 640px) {
  .page {
    padding: 8px 8px 10px;
    gap: 8px;
    min-height: 0;
  }
  .top {
    flex-wrap: wrap;
    row-gap: 6px;
  }
  .named {
    flex: 1 1 60%;
  }
  .work {
    display: flex;
  }
  .work > * {
    flex: 1;
    min-width: 0;
  }
  .upper {
    grid-template-columns: minmax(0, 1fr);
    grid-auto-rows: max-content;
    overflow-y: auto;
  }
  .now {
    white-space: normal;
  }
  .acts {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .acts .push {
    flex: none;
  }
}
</style>
