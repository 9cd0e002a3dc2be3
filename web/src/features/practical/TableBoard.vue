<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Problem } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { FINGERS, type Criterion } from '@/parts/criteria'
import JoinAddress from '@/parts/JoinAddress.vue'
import Palm from '@/parts/Palm.vue'
import Strip from '@/parts/Strip.vue'
import { counted, mmss } from '@/parts/words'
import CaptureAsks from './CaptureAsks.vue'
import { duesOf } from './dues'
import FigureSeen from './FigureSeen.vue'
import FingerColumns from './FingerColumns.vue'
import KeysHelp from './KeysHelp.vue'
import LaidHand from './LaidHand.vue'
import { coverDue, workedMs } from './run'
import { barsOf, stripOfRun } from './tableModel'
import TapLog from './TapLog.vue'
import { useCapture } from './useCapture'
import { useFingerKeys } from './useFingerKeys'
import { useFloor, type Table } from './useFloor'
import { useProgress } from './useProgress'
import VoidForm from './VoidForm.vue'

/** One table in front of the grader: figure, five fingers, steps. */
const props = defineProps<{ table: Table }>()
const session = useSession()
const router = useRouter()
const floor = useFloor()
const { taps, view } = props.table
const progress = useProgress(props.table)
const capture = useCapture(props.table, progress)
/** The other tables, with what is due there. */
const others = computed(() =>
  floor.tables.value
    .filter((t) => t.id !== props.table.id)
    .map((t) => ({ table: t, due: duesOf(t.view, t.taps.taps.value, t.taps.now.value)[0] })),
)

const opened = ref<Criterion>('order')
const help = ref(false)
const log = ref(false)
const flash = ref('')
/** A hand can be laid on a screen that tells its fingers apart. */
const touched = navigator.maxTouchPoints >= FINGERS.length
const laying = useStorage('palm-laying', false)

/** What the one on the table says by handset that cannot wait. */
const called = computed(() => duesOf(view, taps.taps.value, taps.now.value).filter((d) => d.kind === 'said'))
/** A button pressed by finger or mouse gives the focus back, so that Enter goes on meaning the next step. */
function letGo(e: MouseEvent) {
  if (e.detail > 0) (document.activeElement as HTMLElement | null)?.blur()
}
function safety() {
  void taps.tap('safety-stop')
  flash.value = 'Safety stop written down. Hands off; see to the client first.'
}
/** What waits until the cover at the end was looked at. */
const ending = ref<{ swap: boolean }>()
/** The cover at the end falls due as a look; then it is over. */
async function end(swap: boolean) {
  const whole = view.kind === 'practical'
  if (whole && !ending.value && coverDue(view.spans, taps.taps.value)) return void (ending.value = { swap })
  await finish(swap)
}
async function covered(missed?: ('not-covered-at-end' | 'loose')[]) {
  if (missed) await capture.cover(missed)
  await finish(ending.value?.swap ?? false)
}
async function finish(swap: boolean) {
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
const keyed = useFingerKeys({
  finger: (id) => (opened.value = id),
  key(key, event) {
    const digit = event.shiftKey ? /^Digit([0-5])$/.exec(event.code) : undefined
    if (digit) capture.depth(Number(digit[1]))
    else if (/^[0-9]$/.test(key)) capture.report(Number(key))
    else if (key === 't') capture.report(10)
    else if (key === 'u') void taps.undo()
    else if (key === 'x') safety()
    else if (key === 'b') capture.rest()
    else if (key === 'enter' && !document.activeElement?.closest('a, button')) capture.start(progress.chosen)
    else if (key === 'arrowdown' || key === 'arrowright') progress.choose(progress.chosen + 1)
    else if (key === 'arrowup' || key === 'arrowleft') progress.choose(progress.chosen - 1)
    else if (key === '?') help.value = true
    else if (key === 'g') void router.push('/floor')
    else if (key === '[' || key === ']') beside(key === ']' ? 1 : -1)
    else if (key === 'escape') {
      capture.neverMind()
      ending.value = undefined
    } else {
      const p = pickOf(key)
      if (!p) return false
      if (p.id === 'hold') capture.down()
      else capture.pick(p)
    }
    return true
  },
  up(key) {
    if (pickOf(key)?.id === 'hold') capture.up()
  },
})
/** What a key of the right hand picks within the opened finger. */
const pickOf = (key: string) => progress.pickAt(opened.value, key)

const worked = computed(() => workedMs(taps.taps.value, taps.now.value))
const strip = computed(() => stripOfRun(view, taps.taps.value, taps.now.value, session.pointedTools))
const bars = computed(() => barsOf(taps.scores.value))
</script>

<template>
  <div class="page table">
    <div class="top">
      <router-link class="push" to="/floor"
        >Floor <span v-if="keyed.enabled" class="key">G</span></router-link
      >
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
    <Strip :model="strip" slim :playhead="taps.now.value / 1000" :picked="progress.state.on" />
    <p v-if="flash" class="flash" role="alert">
      {{ flash }} <button class="push" @click="flash = ''">Seen</button>
    </p>
    <p v-for="d in called" :key="d.kind" class="flash" role="alert">
      Table {{ view.tableNumber }}: {{ d.text }}
    </p>
    <CaptureAsks :progress="progress" :capture="capture" />
    <p v-if="ending" class="flash calm" role="status">
      Before it is over, the sheet:
      <button class="push main" @click="covered([])">Covered, clean</button>
      <button class="push" @click="covered(['loose'])">Loose</button>
      <button class="push" @click="covered(['not-covered-at-end'])">Not covered</button>
      <button class="push" @click="covered()">I did not see</button>
      <button class="push" @click="ending = undefined">Not over yet</button>
    </p>
    <div class="floor" @click="letGo">
      <FigureSeen :progress="progress" :capture="capture" :keyed="keyed.enabled" />
      <LaidHand v-if="laying && touched" :progress="progress" :capture="capture" />
      <FingerColumns
        v-else
        v-model:opened="opened"
        :progress="progress"
        :capture="capture"
        :scores="taps.scores.value"
        :name-of="keyed.enabled ? keyed.nameOf : undefined"
      />
    </div>
    <div class="foot">
      <Palm :bars="bars" :size="58" label="Seen so far" />
      <div class="stored">
        <span v-if="capture.told" class="told" role="status">{{ capture.told }}</span>
        <span v-else-if="taps.waiting.value === 0" class="good" role="status"
          >{{ taps.taps.value.length > 1 ? 'all ' : ''
          }}{{ counted(taps.taps.value.length, 'tap') }} stored</span
        >
        <span v-else class="wait" role="status"
          >{{ counted(taps.waiting.value, 'tap') }} not stored yet: kept on this device, sent again by
          itself</span
        >
        <span class="soft">{{
          taps.unscored.value
            ? `${counted(taps.unscored.value, 'tap')} not counted yet`
            : 'how much of what is enough was seen; no score before the rating'
        }}</span>
        <span v-if="taps.refused.value" class="wait"
          >{{ taps.refused.value }} refused: {{ taps.refusal.value?.detail }}</span
        >
      </div>
      <span class="grow" />
      <button
        v-if="touched"
        class="push laying"
        :class="{ main: laying }"
        :aria-pressed="laying"
        @click="laying = !laying"
      >
        Lay hand
      </button>
      <button class="push" @click="taps.undo()">Undo <span v-if="keyed.enabled" class="key">U</span></button>
      <button class="push" @click="capture.rest">
        {{ progress.resting === undefined ? 'Break' : 'Go on' }}
        <span v-if="keyed.enabled" class="key">B</span>
      </button>
      <button v-if="view.partner" class="push" @click="end(true)">Finish, change roles</button>
      <button class="push main" @click="end(false)">Finish</button>
      <button class="push safety" @click="safety">
        Safety stop <span v-if="keyed.enabled" class="key">X</span>
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
          :step-name="(id) => progress.stepOf(id)?.name ?? id"
          @undo="taps.takeBack"
          @correct="taps.correct"
        />
        <VoidForm @set-void="setVoid" />
        <button class="push main" @click="log = false">Close</button>
      </div>
    </v-dialog>
    <v-dialog v-model="help" max-width="720">
      <KeysHelp :keyed="keyed" @close="help = false" />
    </v-dialog>
  </div>
</template>

<style scoped src="./flash.css"></style>
<style scoped>
.table {
  height: calc(100dvh - var(--bar));
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
  flex: 1 1 auto;
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
  flex: 0 999 auto;
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
.told {
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
.keys {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
@media (max-width: 1207px) {
  .floor {
    grid-template-columns: minmax(155px, 1fr) repeat(3, 152px) 256px 152px;
  }
}
@media (max-width: 1170px) {
  .floor {
    grid-template-columns: 156px repeat(5, minmax(0, 1fr));
    grid-template-rows: auto minmax(0, 1fr);
  }
  .floor > :first-child {
    grid-row: 1 / 3;
  }
  .top,
  .foot {
    flex-wrap: wrap;
    gap: 8px;
  }
  .top > .about {
    display: none;
  }
  .foot > * {
    flex: none;
  }
  .foot > .stored {
    flex: 1 1 120px;
  }
  .foot > .grow {
    display: none;
  }
  .foot .push {
    padding: 0 12px;
  }
  .safety {
    min-width: 120px;
  }
}
@media (max-width: 640px) {
  .table {
    height: auto;
  }
  .table :deep(.key),
  .foot > :first-child,
  .foot > .laying,
  .stored .soft {
    display: none;
  }
  .top h1 {
    font-size: 20px;
  }
  .clock {
    font-size: 26px;
  }
  .foot > .stored {
    flex-basis: 100%;
  }
  .foot > .safety {
    flex: 1;
  }
  .floor {
    grid-template-columns: repeat(5, minmax(0, 1fr));
    grid-template-rows: auto auto auto;
    gap: 4px;
  }
  .floor > :first-child {
    grid-row: 3;
    grid-column: 1 / -1;
    min-height: 420px;
  }
  .foot {
    position: sticky;
    bottom: var(--bar);
    background: var(--ground);
    padding: 6px 0;
  }
}
</style>
