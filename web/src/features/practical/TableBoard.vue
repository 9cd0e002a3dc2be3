<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Problem } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { FINGERS, type Criterion } from '@/parts/criteria'
import JoinAddress from '@/parts/JoinAddress.vue'
import Strip from '@/parts/Strip.vue'
import { usePhone } from '@/parts/usePhone'
import CaptureAsks from './CaptureAsks.vue'
import { duesAt, workedMs } from './dues'
import FigureSeen from './FigureSeen.vue'
import FingerColumns from './FingerColumns.vue'
import KeysHelp from './KeysHelp.vue'
import LaidHand from './LaidHand.vue'
import { stripOfRun } from './tableModel'
import StepNow from './StepNow.vue'
import TableFoot from './TableFoot.vue'
import TableTop from './TableTop.vue'
import TapLog from './TapLog.vue'
import { useCapture } from './useCapture'
import { useTableKeys } from './useTableKeys'
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

/** On a phone the figure takes its turn with the fingers. */
const phone = usePhone()
const front = ref<Criterion | 'body'>('order')
watch(phone, () => front.value === 'body' && (front.value = 'order'))
const opened = computed({
  get: () => (front.value === 'body' ? undefined : front.value),
  set: (to) => to && (front.value = to),
})
const help = ref(false)
const log = ref(false)
const flash = ref('')
/** A hand can be laid on a screen that tells its fingers apart. */
const touched = navigator.maxTouchPoints >= FINGERS.length
const laying = useStorage('palm-laying', false)

/** What the one on the table says by handset that cannot wait. */
const called = computed(() =>
  duesAt(taps.progress.value.dues, taps.now.value).filter((d) => d.kind === 'said'),
)
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
  if (whole && !ending.value && taps.progress.value.coverDue) return void (ending.value = { swap })
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
const keyed = useTableKeys(progress, capture, opened, {
  undo: () => void taps.undo(),
  safety,
  floor: () => void router.push('/floor'),
  beside,
  help: () => (help.value = true),
  neverMind() {
    capture.neverMind()
    ending.value = undefined
  },
})

const worked = computed(() => workedMs(taps.progress.value, taps.now.value))
const strip = computed(() => stripOfRun(view, taps, session.pointedTools))
</script>

<template>
  <div class="page table">
    <TableTop
      :table="table"
      :worked="worked / 1000"
      :keyed="keyed.enabled"
      @log="log = true"
      @handset="askHandset"
      @keys="help = true"
    />
    <StepNow v-if="phone" :progress="progress" />
    <Strip v-else :model="strip" slim :playhead="taps.now.value / 1000" :picked="progress.on" />
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
      <FigureSeen
        v-show="!phone || front === 'body'"
        :progress="progress"
        :capture="capture"
        :keyed="keyed.enabled"
      />
      <button v-if="phone" class="body" :aria-pressed="front === 'body'" @click="front = 'body'">Body</button>
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
    <TableFoot
      v-model:laying="laying"
      :table="table"
      :progress="progress"
      :capture="capture"
      :keyed="keyed.enabled"
      :touched="touched"
      @end="end"
      @safety="safety"
    />
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
          :taken-back="taps.progress.value.takenBack"
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
.floor {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(150px, 1fr) 168px 168px 168px 258px 168px;
  gap: 8px;
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
}
/* A phone: five fingertips and the figure, below them what the one that is open has. */
@media (max-width: 640px) {
  .table {
    padding: 8px;
    gap: 6px;
  }
  /* No keys there. */
  .table :deep(.key) {
    display: none;
  }
  .floor {
    grid-template-columns: repeat(6, minmax(0, 1fr));
    grid-template-rows: auto minmax(0, 1fr);
    gap: 4px;
  }
  .floor > :first-child {
    grid-row: 2;
    grid-column: 1 / -1;
    overflow-y: auto;
  }
  .body {
    grid-column: 6;
    grid-row: 1;
    border: 1.5px solid var(--ink);
    border-radius: 16px;
    background: var(--paper);
    color: var(--ink);
    font: 700 15px var(--head);
    cursor: pointer;
  }
  .body[aria-pressed='true'] {
    border-width: 4px;
  }
}
</style>
