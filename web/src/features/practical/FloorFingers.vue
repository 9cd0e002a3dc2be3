<script setup lang="ts">
import { computed } from 'vue'
import { AS_THE_HAND_LIES, FINGERS, hue, type Criterion } from '@/parts/criteria'
import type { Capture } from './useCapture'
import type { Progress } from './useProgress'

/** The five fingers in small, for a table that is seen from the floor: what is wrong costs no more than what is right. */
const props = defineProps<{ progress: Progress; capture: Capture; table: number; keys: boolean }>()
const opened = defineModel<Criterion>('opened', { required: true })

/** What wants the figure, a number or the eyes on one table is tapped at the table. */
const AT_THE_TABLE = ['off-plan', 'hold', 'rate', 'turn', 'lubricant', 'hygiene', 'pain', 'range', 'note']
const picks = computed(() => props.progress.picks[opened.value].filter((p) => !AT_THE_TABLE.includes(p.id)))
const nameOf = (id: Criterion) => FINGERS.find((f) => f.id === id)!.name
</script>

<template>
  <div class="fingers" :style="{ '--hue': hue(opened) }">
    <div class="head">
      <slot />
      <div class="tips" role="group" :aria-label="`Fingers, table ${table}`">
        <button
          v-for="f in AS_THE_HAND_LIES"
          :key="f.id"
          class="tip"
          :class="{ on: opened === f.id, hot: progress.cues[f.id].hot }"
          :style="{ '--hue': hue(f.id) }"
          :aria-pressed="opened === f.id"
          :aria-label="`${f.name}${progress.cues[f.id].hot ? `: ${progress.cues[f.id].text}` : ''}`"
          @click="opened = f.id"
        >
          {{ f.letter }}
        </button>
      </div>
    </div>
    <div class="picks" role="group" :aria-label="`${nameOf(opened)}, table ${table}`">
      <button
        v-for="p in picks"
        :key="p.id"
        class="pick"
        :class="{ strong: p.main }"
        :disabled="!progress.begun && ['pressure', 'mechanics'].includes(p.finger)"
        @click="capture.pick(p)"
      >
        {{ p.label }}<small v-if="keys">{{ p.key.toUpperCase() }}</small
        ><small v-else-if="progress.count(p)">{{ progress.count(p) }}</small>
      </button>
      <template v-if="opened === 'pressure'">
        <button
          v-for="n in 11"
          :key="n"
          class="pick digit"
          :disabled="!progress.begun"
          :class="{ inband: n - 1 >= progress.band.low && n - 1 <= progress.band.high }"
          :aria-label="`The client says ${n - 1}, table ${table}`"
          @click="capture.report(n - 1)"
        >
          {{ n - 1 }}
        </button>
      </template>
    </div>
  </div>
</template>

<style scoped src="./pick.css"></style>
<style scoped>
.fingers {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.head {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.tips {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 5px;
}
.tip {
  min-height: 44px;
  border: 1.5px solid var(--hue);
  border-radius: 22px;
  background: var(--paper);
  color: var(--hue);
  font: 700 18px var(--head);
  cursor: pointer;
}
.tip.on {
  background: var(--hue);
  color: var(--on-hue);
}
.tip.hot:not(.on) {
  border: 3px dashed var(--stop);
}
.picks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(84px, 1fr));
  gap: 5px;
}
.pick small {
  font-weight: 500;
  font-size: 12px;
}
.pick:disabled {
  opacity: 0.45;
  cursor: default;
}
.digit {
  font-size: 18px;
}
.digit.inband {
  background: var(--pressure-wash);
}
</style>
