<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { FINGERS, hue, type Criterion } from '@/parts/criteria'
import Palm from '@/parts/Palm.vue'
import { points } from '@/parts/words'
import { rowsOf, SHOW, standing } from './track'

/** More students than this and the rows are low. */
const MANY = 16

const props = defineProps<{ cohort: Schema['Cohort'] }>()
const session = useSession()
const sort = ref<'name' | 'need' | 'secure'>('name')
const show = ref('')
const only = ref<Criterion | ''>('')
const asTable = useStorage('palm-track-table', false)
const dense = ref(props.cohort.students.length > MANY)
const rows = computed(() =>
  rowsOf(props.cohort.students, { sort: sort.value, show: show.value, only: only.value }),
)
const fingers = computed(() => FINGERS.filter((f) => !only.value || f.id === only.value))

// The drawing is one stop of the tab key; arrows walk in it.
const at = ref({ row: 0, column: 0 })
watch(rows, () => (at.value = { row: 0, column: 0 }))
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
    row: clamp(at.value.row + move[0], rows.value.length - 1),
    column: clamp(at.value.column + move[1], props.cohort.regions.length),
  }
  grid.value?.querySelector<HTMLElement>(`[data-at="${at.value.row}/${at.value.column}"]`)?.focus()
}
const stop = (row: number, column: number) => (at.value.row === row && at.value.column === column ? 0 : -1)
</script>

<template>
  <div class="top second">
    <label class="field"
      >Sort
      <select v-model="sort">
        <option value="name">by name</option>
        <option value="need">who needs it first</option>
        <option value="secure">fewest secure first</option>
      </select></label
    >
    <label class="field"
      >Show
      <select v-model="show">
        <option v-for="s in SHOW" :key="s.id" :value="s.id">{{ s.name }}</option>
      </select></label
    >
    <div class="only" role="group" aria-label="One criterion">
      <button
        v-for="f in [...FINGERS].reverse()"
        :key="f.id"
        class="push leg"
        :aria-pressed="only === f.id"
        :class="{ off: only && only !== f.id }"
        :style="{ color: hue(f.id) }"
        @click="only = only === f.id ? '' : f.id"
      >
        <i :style="{ background: hue(f.id) }" />{{ f.name }}
      </button>
    </div>
    <span class="grow" />
    <button class="push" :aria-pressed="asTable" @click="asTable = !asTable">
      {{ asTable ? 'As palms' : 'As a table' }}
    </button>
    <button v-if="!asTable" class="push" :aria-pressed="dense" @click="dense = !dense">
      {{ dense ? 'Larger' : 'Closer' }}
    </button>
  </div>
  <div v-if="cohort.students.length === 0" class="card">
    <h2>No student in this term yet</h2>
    <p class="soft">The lead adds students under School.</p>
  </div>
  <p v-else-if="cohort.regions.length === 0" class="card soft">
    A palm for each region stands here once a practical of it is awarded.
  </p>
  <p v-else-if="rows.length === 0" class="card soft">Nobody has such a bar.</p>
  <div v-else-if="asTable" class="card grid">
    <table class="lines words">
      <caption class="sr">
        Every student in every region:
        {{
          only
        }}
        state and level
      </caption>
      <thead>
        <tr>
          <th scope="col">Student</th>
          <th scope="col">Region</th>
          <th v-for="f in fingers" :key="f.id" scope="col">{{ f.name }}</th>
          <th scope="col">Secure</th>
        </tr>
      </thead>
      <tbody v-for="s in rows" :key="s.id">
        <tr v-for="(p, i) in s.palms" :key="p.region">
          <th scope="row">
            <router-link v-if="i === 0" :to="`/track/${s.id}`">{{ s.name }}</router-link>
            <span v-else class="sr">{{ s.name }}</span>
          </th>
          <td>
            <router-link :to="`/track/${s.id}#${p.region}`">{{ session.regionName(p.region) }}</router-link>
          </td>
          <td v-for="f in fingers" :key="f.id" :class="p.bars[FINGERS.indexOf(f)]!.state.replace(' ', '-')">
            {{ p.bars[FINGERS.indexOf(f)]!.state }}
            {{
              p.bars[FINGERS.indexOf(f)]!.level == null
                ? ''
                : `${points(p.bars[FINGERS.indexOf(f)]!.level)} ± ${points(p.bars[FINGERS.indexOf(f)]!.sd)}`
            }}
          </td>
          <td>{{ p.secure }} of 5</td>
        </tr>
      </tbody>
    </table>
  </div>
  <div v-else ref="grid" class="card grid" :class="{ dense }">
    <table role="grid" aria-label="Students and regions; arrows walk, Enter opens" @keydown="walk">
      <thead>
        <tr>
          <th scope="col"><span class="sr">Student</span></th>
          <th v-for="r in cohort.regions" :key="r" scope="col">{{ session.regionName(r) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(s, i) in rows" :key="s.id">
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
  <p class="soft note">
    The number counts secure criteria. Dashed: not seen. Ring: due again. Cross: open critical.
    <span class="take"
      >Take along:
      <a class="push" :href="`/api/terms/${cohort.term}/report`" target="_blank">Report (PDF)</a>
      <a class="push" :href="`/api/terms/${cohort.term}/marks.xlsx`">Marks (XLSX)</a>
      <a class="push" :href="`/api/terms/${cohort.term}/marks.csv`">Marks (CSV)</a>
      <a class="push" :href="`/api/terms/${cohort.term}/evidence`" download="evidence.json"
        >Evidence (JSON)</a
      >
    </span>
  </p>
</template>

<style scoped>
.second {
  min-height: 0;
  gap: 10px;
}
.only {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.leg {
  border-color: transparent;
  background: none;
  padding: 6px 8px;
}
.leg[aria-pressed='true'] {
  border-color: currentColor;
  background: var(--paper);
}
.leg.off {
  opacity: 0.65;
}
.leg i {
  width: 8px;
  height: 16px;
  border-radius: 4px;
}
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
.words th[scope='row'] {
  font-weight: 650;
  color: inherit;
  font-size: 15px;
}
.words td a,
.words th a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
}
.secure {
  color: var(--good);
}
.at-risk,
.open-critical {
  color: var(--stop);
  font-weight: 650;
}
.not-seen {
  color: var(--ink-soft);
}
.note {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: center;
  font-size: 14px;
}
.take {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
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
