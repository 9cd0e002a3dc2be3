<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { counted } from '@/parts/words'

/** Everybody by everybody: how often they worked together, and how often they will. */
const props = defineProps<{ students: Schema['PartnerCount'][] }>()
const first = (name: string) => name.split(' ')[0]
const size = computed(() => (props.students.length > 18 ? 18 : 26))
const said = (a: number, b: number) => {
  const s = props.students
  const met = s[a]!.met[b] ?? 0
  const planned = s[a]!.planned[b] ?? 0
  return `${s[a]!.name} and ${s[b]!.name}: ${counted(met, 'time', 'times')}${planned ? `, ${planned} planned` : ''}`
}
</script>

<template>
  <div class="scroll" tabindex="0" role="group" aria-label="Everybody by everybody">
    <table :style="{ '--cell': `${size}px` }">
      <thead>
        <tr>
          <th><span class="sr">Student</span></th>
          <th v-for="s in students" :key="s.id" class="up" scope="col">
            <span>{{ first(s.name) }}</span>
          </th>
          <th class="sum" scope="col">with</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(s, a) in students" :key="s.id">
          <th scope="row">{{ first(s.name) }}</th>
          <td v-for="(o, b) in students" :key="o.id">
            <span v-if="a === b" class="self" />
            <span
              v-else
              class="cell"
              :class="{ planned: (s.planned[b] ?? 0) > 0, met: (s.met[b] ?? 0) > 0 }"
              role="img"
              :aria-label="said(a, b)"
              :title="said(a, b)"
              >{{ (s.met[b] ?? 0) > 1 ? s.met[b] : '' }}</span
            >
          </td>
          <td class="sum">{{ s.met.filter((n) => n > 0).length }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  max-width: 100%;
}
table {
  border-collapse: collapse;
  font-size: 13px;
}
th {
  font-weight: 600;
  text-align: right;
  padding: 0 6px 0 0;
  white-space: nowrap;
}
.up {
  height: 62px;
  vertical-align: bottom;
  padding: 0;
  text-align: center;
}
.up span {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
}
td {
  padding: 1px;
}
.cell,
.self {
  display: grid;
  place-items: center;
  width: var(--cell);
  height: var(--cell);
  border-radius: 8px;
  font: 700 13px/1 var(--text);
}
.cell {
  border: 1px solid var(--line);
}
.self {
  background: var(--line);
  opacity: 0.4;
}
.met {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--paper);
}
.planned {
  border: 3px solid var(--order);
}
.sum {
  text-align: right;
  padding: 0 0 0 8px;
  font-size: 14px;
}
</style>
