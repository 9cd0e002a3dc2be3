<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { FINGERS, hue, type Criterion } from '@/parts/criteria'
import PalmsGrid from './PalmsGrid.vue'
import PalmsTable from './PalmsTable.vue'
import { rowsOf, SHOW } from './track'
import ChoiceField from '@/parts/ChoiceField.vue'

/** More students than this and the rows are low. */
const MANY = 16

const props = defineProps<{ cohort: Schema['Cohort'] }>()
const SORT = [
  { id: 'name', name: 'by name' },
  { id: 'need', name: 'who needs it first' },
  { id: 'secure', name: 'fewest secure first' },
] as const
const sort = ref<(typeof SORT)[number]['id']>('name')
const show = ref('')
const only = ref<Criterion | ''>('')
const asTable = useStorage('palm-track-table', false)
const dense = ref(props.cohort.students.length > MANY)
const rows = computed(() =>
  rowsOf(props.cohort.students, { sort: sort.value, show: show.value, only: only.value }),
)
const fingers = computed(() => FINGERS.filter((f) => !only.value || f.id === only.value))
</script>

<template>
  <div class="top second">
    <ChoiceField v-model="sort" class="field" label="Sort" :options="SORT" />
    <ChoiceField v-model="show" class="field" label="Show" :options="SHOW" />
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
    <PalmsTable :students="rows" :fingers="fingers" :only="only" />
  </div>
  <PalmsGrid v-else :regions="cohort.regions" :students="rows" :only="only" :dense="dense" />
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
}
</style>
