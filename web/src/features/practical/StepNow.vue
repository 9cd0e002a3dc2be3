<script setup lang="ts">
import { computed } from 'vue'
import { mmss } from '@/parts/words'
import type { Progress } from './useProgress'

/** In one line what is being done and for how long, and what comes next: the whole course in time does not fit a phone. */
const props = defineProps<{ progress: Progress }>()
const now = computed(() => props.progress.current)
const next = computed(() => {
  const tile = props.progress.tiles[props.progress.chosen]
  return tile && tile !== now.value ? tile : undefined
})
const side = (side: string) => (side === 'both' || side === 'midline' ? '' : ` · ${side}`)
</script>

<template>
  <p class="now">
    <template v-if="now">
      <strong>{{ now.place }} {{ now.step.name }}{{ side(now.span.side) }}</strong>
      <span class="time"
        >{{ mmss(progress.spent(now.key)) }} of {{ mmss(now.span.end - now.span.start) }}</span
      >
    </template>
    <strong v-else>Nothing begun</strong>
    <span v-if="next" class="soft">then {{ next.place }} {{ next.step.name }}{{ side(next.span.side) }}</span>
  </p>
</template>

<style scoped>
.now {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 8px;
  margin: 0;
  font-size: 15px;
  line-height: 1.25;
}
.now > * {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.soft {
  grid-column: 1 / -1;
  font-size: 14px;
}
</style>
