<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'

/** A number about graders with what it rests on and says; or why there is none. */
const props = defineProps<{ figure: Schema['Figure']; places: number }>()
const say = (n: number) => (n < 0 ? '−' : '') + Math.abs(n).toFixed(props.places)
const span = computed(() =>
  props.figure.low == null || props.figure.high == null
    ? ''
    : `${say(props.figure.low)} to ${say(props.figure.high)}`,
)
</script>

<template>
  <tr>
    <th scope="row">{{ figure.name }}</th>
    <td class="value">{{ figure.value == null ? 'no number' : say(figure.value) }}</td>
    <td class="span">{{ span }}</td>
    <td class="cases">
      {{ figure.cases < figure.needed ? `${figure.cases} of ${figure.needed} needed` : `on ${figure.cases}` }}
    </td>
    <td class="meaning">{{ figure.meaning }}</td>
  </tr>
</template>

<style scoped>
th {
  width: 240px;
  text-align: left;
  font-weight: 650;
  color: var(--ink) !important;
  font-size: 15px !important;
}
.value {
  width: 100px;
  font-weight: 700;
}
.span,
.cases {
  width: 140px;
  color: var(--ink-soft);
  font-size: 14px !important;
}
.meaning {
  font-size: 14px !important;
  line-height: 1.3;
}
</style>
