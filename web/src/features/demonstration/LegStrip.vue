<script setup lang="ts">
import type { Schema } from '@/api/client'
import { mmss } from '@/parts/words'

/** The parts of a round, as wide as they are long. */
const props = defineProps<{
  legs: Schema['Leg'][]
  seconds: number[]
  current: number
  /** Whether a touch goes to a part. */
  touchable?: boolean
}>()
const emit = defineEmits<{ go: [leg: number] }>()
const said = (i: number) => {
  const l = props.legs[i]
  return l ? `${l.name}, ${mmss(props.seconds[i] ?? l.seconds)}` : 'not started'
}

function touch(e: MouseEvent) {
  const leg = (e.target as HTMLElement).dataset.leg
  if (props.touchable && leg !== undefined) emit('go', Number(leg))
}
</script>

<template>
  <!-- One target: a touch goes to the part under it; space and arrows go from part to part. -->
  <div
    class="legs"
    :role="touchable ? 'slider' : 'img'"
    :tabindex="touchable ? 0 : undefined"
    :aria-label="touchable ? 'Parts of the round; a touch goes to a part' : 'Parts of the round'"
    :aria-valuemin="touchable ? 0 : undefined"
    :aria-valuemax="touchable ? legs.length : undefined"
    :aria-valuenow="touchable ? current + 1 : undefined"
    :aria-valuetext="touchable ? said(current) : undefined"
    @click.stop="touch"
  >
    <div
      v-for="(l, i) in legs"
      :key="i"
      class="leg"
      :class="[l.role ? 'work' : 'between', { on: i === current, past: i < current }]"
      :style="{ flexGrow: seconds[i] ?? l.seconds }"
      :title="said(i)"
      :data-leg="i"
    >
      {{ l.role || '' }}
    </div>
  </div>
</template>

<style scoped>
.legs {
  display: flex;
  gap: 3px;
  margin-top: 10px;
}
.leg {
  flex: 1 1 0;
  min-width: 0;
  height: 46px;
  border: 0;
  border-radius: 8px;
  padding: 0;
  background: var(--order-wash);
  color: var(--ink);
  font: 700 18px/46px var(--text);
  text-align: center;
  overflow: hidden;
}
.between {
  background: var(--line);
}
.past {
  opacity: 0.4;
}
.on {
  background: var(--order);
  color: var(--on-hue);
}
</style>
