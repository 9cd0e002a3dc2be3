<script setup lang="ts">
import { computed } from 'vue'
import type { Problem } from '@/api/client'

/** How something failed that was asked for, a line each: every fault of what was given, or the sentence of the server. */
const props = defineProps<{ of?: Problem }>()
const lines = computed(() =>
  props.of?.faults.length
    ? props.of.faults.map((f) => [f.field, f.value && `“${f.value}”`, f.reason].filter(Boolean).join(' '))
    : [props.of?.detail],
)
</script>

<template>
  <div v-if="of" role="alert" class="bad">
    <slot />
    <p v-for="(line, i) in lines" :key="i">{{ line }}</p>
  </div>
</template>

<style scoped>
.bad {
  color: var(--stop);
  font-weight: 600;
}
p {
  margin: 0;
}
</style>
