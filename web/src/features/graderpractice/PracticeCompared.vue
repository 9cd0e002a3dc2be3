<script setup lang="ts">
import type { Schema } from '@/api/client'
import { FINGERS, hue } from '@/parts/criteria'
import { points } from '@/parts/words'

/** One's marks and the school's on one line from 0 to 100, a line a criterion. */
defineProps<{ of: Schema['PracticeCompared'] }>()
const finger = (id: string) => FINGERS.find((f) => f.id === id)!
</script>

<template>
  <p>{{ of.sentence }}</p>
  <table>
    <thead>
      <tr>
        <th scope="col"><span class="sr">Criterion</span></th>
        <th scope="col">School</th>
        <th scope="col">Own</th>
        <th scope="col" class="wide"><span class="sr">From 0 to 100</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="l in of.each" :key="l.criterion" :style="{ '--hue': hue(l.criterion) }">
        <th scope="row">{{ finger(l.criterion).name }}</th>
        <td>{{ points(l.school) }}</td>
        <td :class="{ far: !l.close }">{{ points(l.own) }}</td>
        <td class="wide">
          <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
            <line x1="0" x2="100" y1="6" y2="6" class="axis" />
            <line :x1="l.school" :x2="l.own" y1="6" y2="6" class="gap" />
            <line :x1="l.school" :x2="l.school" y1="0" y2="12" class="school" />
            <line :x1="l.own" :x2="l.own" y1="2" y2="10" class="own" />
          </svg>
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="of.words" class="soft">“{{ of.words }}”</p>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 600;
}
tbody th {
  color: var(--hue);
}
td,
th {
  padding: 6px 8px 6px 0;
}
td {
  font-variant-numeric: tabular-nums;
}
.far {
  color: var(--stop);
  font-weight: 700;
}
.wide {
  width: 45%;
}
svg {
  width: 100%;
  height: 14px;
  display: block;
}
line {
  vector-effect: non-scaling-stroke;
}
.axis {
  stroke: var(--line);
  stroke-width: 2;
}
.gap {
  stroke: var(--hue);
  stroke-width: 4;
  opacity: 0.5;
}
.school {
  stroke: var(--ink);
  stroke-width: 3;
}
.own {
  stroke: var(--hue);
  stroke-width: 5;
}
</style>
