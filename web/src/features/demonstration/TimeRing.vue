<script setup lang="ts">
import { computed } from 'vue'
import { mmss } from '@/parts/words'

/** Time that is left, as a ring that empties; all of it in another colour where it is over. */
const props = defineProps<{
  /** Seconds left; below 0 it is over. */
  left: number
  /** Seconds in all. */
  of: number
  /** What is left of what, as in "this step". */
  name: string
  /** Whether nobody works meanwhile. */
  between?: boolean
}>()
const AROUND = 2 * Math.PI * 90
const share = computed(() => (props.left < 0 ? 1 : props.of > 0 ? Math.min(1, props.left / props.of) : 0))
</script>

<template>
  <svg viewBox="0 0 200 200" class="ring" role="img" :aria-label="`${mmss(left)} left of ${name}`">
    <circle cx="100" cy="100" r="90" fill="none" stroke="var(--line)" stroke-width="13" />
    <circle
      cx="100"
      cy="100"
      r="90"
      fill="none"
      :stroke="left < 0 || between ? 'var(--draping)' : 'var(--pressure)'"
      stroke-width="13"
      transform="rotate(-90 100 100)"
      :stroke-dasharray="`${share * AROUND} ${AROUND}`"
    />
    <text x="100" y="120" text-anchor="middle" class="left">{{ mmss(left) }}</text>
  </svg>
</template>

<style scoped>
.left {
  font: 700 57px var(--text);
  fill: var(--ink);
}
</style>
