<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/features/session/useSession'
import type { Criterion } from '@/parts/criteria'
import Palm from '@/parts/Palm.vue'
import { stepsOf } from '@/parts/strip'
import { mmss } from '@/parts/words'
import CaptureAsks from './CaptureAsks.vue'
import { duesAt, workedMs } from './dues'
import FloorFingers from './FloorFingers.vue'
import Lanes from './Lanes.vue'
import { barsOf, stripOfRun } from './tableModel'
import { useCapture } from './useCapture'
import { useFloor, type Table } from './useFloor'
import { useProgress } from './useProgress'

/** One table as the floor shows it: who, which step, how long, the lanes in small, what is due, and the five fingers. */
const props = defineProps<{
  table: Table
  chosen: boolean
  keys: boolean
  /** There is room for the five fingers on every card. */
  roomy: boolean
}>()
const opened = defineModel<Criterion>('opened', { required: true })
const floor = useFloor()
const progress = useProgress(props.table, () => floor.tables.value.length)
const capture = useCapture(props.table, progress)
defineExpose({ progress, capture })
const session = useSession()
const so = computed(() => props.table.taps.progress.value)
const now = computed(() => props.table.taps.now.value)
const view = computed(() => props.table.view)
const strip = computed(() => stripOfRun(view.value, props.table.taps, session.pointedTools))
const dues = computed(() => [
  ...(progress.lookAsked ? [{ kind: 'look', text: 'body: look now', hot: true }] : []),
  ...duesAt(so.value.dues, now.value).filter((d) => d.kind !== 'look' || !progress.lookAsked),
])
const steps = computed(() => stepsOf(view.value.sequence))
const on = computed(() => {
  const span = view.value.spans.find((s) => `${s.step}/${s.side}` === progress.on)
  const at = steps.value.findIndex((s) => s.id === span?.step)
  return span && { place: at + 1, name: steps.value[at]!.name, side: span.side }
})
const spent = computed(() => (progress.on ? progress.spent(progress.on) : 0))
const waiting = computed(() => props.table.taps.waiting.value)
const resting = computed(() => so.value.restingSince !== undefined)
const spared = computed(() => (view.value.today ?? []).map((n) => session.spared(n)))
</script>

<template>
  <article
    class="card table"
    :class="{ chosen }"
    :aria-label="`Table ${view.tableNumber}, ${view.student.name}`"
  >
    <router-link class="head" :to="`/grade/${table.id}`" :aria-current="chosen ? 'true' : undefined">
      <span class="number">{{ view.tableNumber }}</span>
      <span class="who">
        <strong>{{ view.student.name }}</strong>
        <span class="soft">{{ view.partner ? `on ${view.partner.name}` : view.sequence.name }}</span>
      </span>
      <span class="clock" role="timer"
        >{{ mmss(workedMs(so, now) / 1000)
        }}<small v-if="view.limitSeconds" class="soft"> of {{ mmss(view.limitSeconds) }}</small></span
      >
    </router-link>
    <p class="now">
      <template v-if="on"
        ><strong>{{ on.place }} {{ on.name }}</strong
        >{{ on.side === 'left' || on.side === 'right' ? `, ${on.side}` : '' }} · {{ mmss(spent) }}</template
      >
      <span v-else class="soft">hands off</span>
    </p>
    <p v-if="spared.length" class="spare">Spare: {{ spared.join(', ') }}</p>
    <Lanes :model="strip" :playhead="now / 1000" />
    <div class="mid">
      <Palm
        :bars="barsOf(table.taps.scores.value)"
        :size="54"
        :label="`Seen so far, table ${view.tableNumber}`"
      />
      <ul class="dues" aria-live="polite">
        <li v-for="d in dues.slice(0, 3)" :key="d.kind" :class="{ hot: d.hot }">{{ d.text }}</li>
        <li v-if="dues.length === 0" class="soft none">nothing due</li>
      </ul>
      <span v-if="waiting" class="wait">{{ waiting }} not stored</span>
    </div>
    <CaptureAsks v-if="capture.branching" :progress="progress" :capture="capture" />
    <p v-if="capture.told" class="told" role="status">{{ capture.told }}</p>
    <FloorFingers
      v-if="roomy"
      v-model:opened="opened"
      :progress="progress"
      :capture="capture"
      :table="view.tableNumber"
      :keys="keys && chosen"
    />
    <div class="give" role="group" :aria-label="`Common taps, table ${view.tableNumber}`">
      <button class="push" @click="capture.start(progress.chosen)">Next</button>
      <button class="push" @click="table.taps.undo()">Undo<small v-if="keys && chosen">U</small></button>
      <button class="push" @click="capture.rest">
        {{ resting ? 'Go on' : 'Break' }}<small v-if="keys && chosen">B</small>
      </button>
      <button
        class="push safety"
        :aria-label="`Safety stop, table ${view.tableNumber}`"
        @click="table.taps.tap('safety-stop')"
      >
        Stop<small v-if="keys && chosen">X</small>
      </button>
    </div>
  </article>
</template>

<style scoped>
.table {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 10px 12px;
  min-width: 0;
  border: 2px solid transparent;
}
.chosen {
  border-color: var(--ink);
}
.head {
  display: flex;
  gap: 12px;
  align-items: center;
  text-decoration: none;
  color: inherit;
  min-height: 52px;
}
.number {
  flex: none;
  width: 52px;
  height: 52px;
  border-radius: 50%;
  background: var(--ink);
  color: var(--paper);
  font: 700 26px/52px var(--text);
  text-align: center;
}
.who {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  line-height: 1.2;
}
.who strong {
  font-size: 18px;
}
.who span {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.clock {
  font: 700 24px/1 var(--text);
  text-align: right;
}
.clock small {
  display: block;
  font-size: 13px;
  font-weight: 500;
}
.now {
  min-height: 24px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.mid {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 66px;
}
.dues {
  list-style: none;
  margin: 0;
  padding: 0;
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 3px;
  font-size: 14.5px;
  font-weight: 600;
}
.dues .hot,
.wait {
  color: var(--stop);
}
.wait {
  font-weight: 700;
  font-size: 14px;
}
.dues .none {
  font-weight: 400;
}
.give {
  display: flex;
  gap: 6px;
}
.give .push {
  flex: 1 1 0;
  min-width: 44px;
  padding: 0 4px;
  font-size: 14px;
  flex-direction: column;
  gap: 0;
  line-height: 1.15;
}
.give .safety {
  background: #8c1d1d;
  border-color: #8c1d1d;
  color: #fff;
}
.told {
  font-weight: 700;
  font-size: 14px;
}
.spare {
  font-size: 14px;
  font-weight: 650;
  color: var(--stop);
}
.give small {
  font-size: 12px;
  font-weight: 500;
}
@media (max-width: 640px) {
  .give {
    flex-wrap: wrap;
  }
  .give .push {
    flex: 1 1 30%;
  }
}
</style>
