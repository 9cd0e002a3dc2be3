<script setup lang="ts">
import { ref, watch } from 'vue'
import { useSession } from '@/features/session/useSession'
import type { Criterion } from '@/parts/criteria'
import Palm from '@/parts/Palm.vue'
import { standing, type Row } from './track'

/** A palm for each student in each region. */
const props = defineProps<{
  regions: readonly string[]
  students: readonly Row[]
  only: Criterion | ''
  /** Low rows, for many. */
  dense: boolean
}>()
const session = useSession()
// The drawing is one stop of the tab key; arrows walk in it.
const at = ref({ row: 0, column: 0 })
watch(
  () => props.students,
  () => (at.value = { row: 0, column: 0 }),
)
const grid = ref<HTMLElement>()
const MOVES: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  PageUp: [-10, 0],
  PageDown: [10, 0],
  Home: [0, -99],
  End: [0, 99],
}
function walk(e: KeyboardEvent) {
  const move = MOVES[e.key]
  if (!move) return
  e.preventDefault()
  const clamp = (n: number, most: number) => Math.max(0, Math.min(most, n))
  at.value = {
    row: clamp(at.value.row + move[0], props.students.length - 1),
    column: clamp(at.value.column + move[1], props.regions.length),
  }
  grid.value?.querySelector<HTMLElement>(`[data-at="${at.value.row}/${at.value.column}"]`)?.focus()
}
const stop = (row: number, column: number) => (at.value.row === row && at.value.column === column ? 0 : -1)
</script>

<template>
  <div ref="grid" class="card grid" :class="{ dense }">
    <table role="grid" aria-label="Students and regions; arrows walk, Enter opens" @keydown="walk">
      <thead>
        <tr>
          <th scope="col"><span class="sr">Student</span></th>
          <th v-for="r in regions" :key="r" scope="col">{{ session.regionName(r) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(s, i) in students" :key="s.id">
          <th scope="row">
            <router-link
              :to="`/track/${s.id}`"
              class="name"
              :title="standing(s, only)"
              :tabindex="stop(i, 0)"
              :data-at="`${i}/0`"
              @focus="at = { row: i, column: 0 }"
              ><strong>{{ s.name }}</strong
              ><span :class="{ hot: s.critical || s.atRisk }">{{ standing(s, only) }}</span></router-link
            >
          </th>
          <td v-for="(p, j) in s.palms" :key="p.region">
            <router-link
              :to="`/track/${s.id}#${p.region}`"
              class="cell"
              :tabindex="stop(i, j + 1)"
              :data-at="`${i}/${j + 1}`"
              @focus="at = { row: i, column: j + 1 }"
              ><Palm
                :bars="p.bars"
                :secure="p.secure"
                :size="dense ? 58 : 54"
                :upright="dense"
                :only="only"
                :label="`${s.name}, ${session.regionName(p.region)}`"
            /></router-link>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.grid {
  padding: 6px 14px;
}
.grid table[role='grid'] {
  table-layout: fixed;
  border-collapse: collapse;
  width: 100%;
}
[role='grid'] thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  font-size: 14px;
  padding: 6px 4px;
  border-bottom: 1px solid var(--line);
  z-index: 1;
}
[role='grid'] thead th:first-child {
  width: 236px;
}
[role='grid'] thead th {
  line-height: 1.15;
  vertical-align: bottom;
}
[role='grid'] tbody th {
  text-align: left;
  font-weight: 400;
}
[role='grid'] tbody tr + tr {
  border-top: 1px solid var(--line);
}
[role='grid'] td {
  text-align: center;
}
.name {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 44px;
  line-height: 1.15;
  text-decoration: none;
  font-size: 15.5px;
}
.name span {
  font-size: 13px;
  color: var(--ink-soft);
}
.name .hot {
  color: var(--stop);
}
.cell {
  display: inline-grid;
  place-items: center;
  min-width: 64px;
  min-height: 47px;
}
.dense td,
.dense tbody th {
  padding: 0;
  line-height: 1;
}
.dense .name strong {
  white-space: nowrap;
}
.dense .name span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.dense .name {
  flex-direction: row;
  justify-content: flex-start;
  align-items: center;
  gap: 8px;
  min-height: 28px;
}
.dense .cell {
  min-height: 28px;
}
@media (max-width: 899px) {
  .grid {
    overflow-x: auto;
  }
  .grid table[role='grid'] {
    table-layout: auto;
  }
  [role='grid'] thead th:first-child {
    width: 130px;
  }
  .dense .name {
    flex-direction: column;
    align-items: flex-start;
  }
}
</style>
