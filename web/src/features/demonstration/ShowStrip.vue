<script setup lang="ts">
import type { Schema } from '@/api/client'

/** Where we are: a cell for each that is shown, as wide as it is long, in the order it comes. */
defineProps<{
  moments: Schema['MomentView'][]
  order: number[]
  seconds: number[]
  current: number
  ahead: number[]
  /** Whether a touch goes to a step. */
  touchable?: boolean
}>()
const emit = defineEmits<{ go: [index: number] }>()

function touch(e: MouseEvent) {
  const index = (e.target as HTMLElement).dataset.index
  if (index !== undefined) emit('go', Number(index))
}
</script>

<template>
  <!-- One target: a touch goes to the step under it; space and arrows go from step to step. -->
  <div
    class="steps"
    :role="touchable ? 'slider' : 'img'"
    :tabindex="touchable ? 0 : undefined"
    :aria-label="touchable ? 'Steps; a touch goes to a step' : 'Steps'"
    :aria-valuemin="touchable ? 0 : undefined"
    :aria-valuemax="touchable ? order.length : undefined"
    :aria-valuenow="touchable ? order.indexOf(current) + 1 : undefined"
    :aria-valuetext="
      touchable ? (current < 0 ? 'not started' : `step ${moments[current]?.number}`) : undefined
    "
    @click="
      (e) => {
        if (!touchable) return
        e.stopPropagation()
        touch(e)
      }
    "
  >
    <div
      v-for="i in order"
      :key="i"
      class="cell"
      :class="{ on: i === current, past: i !== current && !ahead.includes(i) }"
      :style="{ flexGrow: (moments[i]?.leadSeconds ?? 0) + (seconds[i] ?? 0) }"
      :data-index="i"
    >
      {{ moments[i]?.number }}
    </div>
  </div>
</template>

<style scoped>
.steps {
  display: flex;
  gap: 3px;
  margin-top: 8px;
}
.cell {
  flex: 1 1 0;
  min-width: 0;
  height: 46px;
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: 700 18px/46px var(--text);
  text-align: center;
  overflow: hidden;
}
.cell.past {
  background: var(--order-wash);
}
.cell.on {
  background: var(--order);
  color: var(--on-hue);
}
</style>
