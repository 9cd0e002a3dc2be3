<script setup lang="ts">
import type { Schema } from '@/api/client'
import { presenceWords } from './useRegister'

/** The labs of one student in a row: filled where they were there, by as much as they were. */
defineProps<{ labs: Schema['LabHours'][] }>()
type Lab = Schema['LabHours']
const sum = (minutes: { [kind: string]: number }) => Object.values(minutes).reduce((a, b) => a + b, 0)
const share = (l: Lab) => {
  const all = sum(l.counted) + sum(l.missed)
  return all > 0 ? sum(l.counted) / all : l.presence?.kind === 'present' ? 1 : 0
}
const state = (l: Lab) =>
  l.madeUp > 0 && l.presence?.kind !== 'present' ? 'made' : (l.presence?.kind ?? 'open')
const SIGN: Record<string, string> = { absent: '×', excused: 'e', made: '↺', open: '?' }
const said = (l: Lab) =>
  `Week ${l.place.week}, lab ${l.place.lab}: ${presenceWords(l.presence)}` +
  (l.madeUp > 0 ? `, ${Math.round(l.madeUp)} min made up` : '')
</script>

<template>
  <ol class="strip">
    <li v-for="l in labs" :key="`${l.place.week}.${l.place.lab}`">
      <span class="lab" :class="state(l)" role="img" :aria-label="said(l)" :title="said(l)">
        <span class="fill" :style="{ width: `${100 * share(l)}%` }" />
        <span class="sign">{{ SIGN[state(l)] }}</span>
      </span>
      <span class="w">{{ l.place.lab === 1 ? l.place.week : '' }}</span>
    </li>
  </ol>
</template>

<style scoped>
.strip {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
li {
  display: flex;
  flex-direction: column;
  align-items: center;
  font-size: 12px;
  color: var(--ink-soft);
}
.lab {
  position: relative;
  display: flex;
  width: 24px;
  height: 24px;
  border-radius: 8px;
  border: 1.5px solid var(--ink);
  background: var(--paper);
  overflow: hidden;
  justify-content: flex-end;
}
.fill {
  background: var(--ink);
}
.sign {
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  font: 700 14px/1 var(--text);
  color: var(--ink);
}
.open {
  border-style: dotted;
}
.excused {
  border-style: dashed;
}
.w {
  min-height: 16px;
}
</style>
