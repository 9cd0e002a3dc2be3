<script setup lang="ts">
import { computed } from 'vue'
import { byOtherRules } from '@/core/pageCore'
import Palm from '@/parts/Palm.vue'
import { counted } from '@/parts/words'
import { barsOf } from './tableModel'
import type { Capture } from './useCapture'
import type { Table } from './useFloor'
import type { Progress } from './useProgress'

/** What was stored, and what must be at hand at every moment: undo, a break, the end, the safety stop. */
const props = defineProps<{
  table: Table
  progress: Progress
  capture: Capture
  keyed: boolean
  /** A hand can be laid on this screen. */
  touched: boolean
}>()
defineEmits<{ end: [swap: boolean]; safety: [] }>()
const laying = defineModel<boolean>('laying', { required: true })
const taps = computed(() => props.table.taps)
const bars = computed(() => barsOf(taps.value.scores.value))
</script>

<template>
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
          : byOtherRules
            ? `so far, by ${byOtherRules} rules: ${byOtherRules === 'older' ? 'the school cannot be reached' : 'the school’s server is older than this page'}`
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
    <button class="push" @click="taps.undo()">Undo <span v-if="keyed" class="key">U</span></button>
    <button class="push" @click="capture.rest">
      {{ progress.resting === undefined ? 'Break' : 'Go on' }}
      <span v-if="keyed" class="key">B</span>
    </button>
    <button v-if="table.view.partner" class="push" @click="$emit('end', true)">Finish, change roles</button>
    <button class="push main" @click="$emit('end', false)">Finish</button>
    <button class="push safety" @click="$emit('safety')">
      Safety stop <span v-if="keyed" class="key">X</span>
    </button>
  </div>
</template>

<style scoped>
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
@media (max-width: 1170px) {
  .foot {
    flex-wrap: wrap;
    gap: 8px;
  }
  .foot > * {
    flex: none;
  }
  .stored {
    flex: 1 1 120px;
  }
  .grow {
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
  .key,
  .foot > :first-child,
  .laying,
  .stored .soft {
    display: none;
  }
  .foot > .stored {
    flex-basis: 100%;
  }
  .foot > .safety {
    flex: 1;
  }
}
</style>
