<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { FINGERS, hue } from '@/parts/criteria'
import Palm from '@/parts/Palm.vue'
import Standing from '@/parts/Standing.vue'

const session = useSession()
const {
  data: cohort,
  problem,
  loading,
  again,
} = useAsked(() =>
  ask(api.GET('/api/terms/{term}/competency', { params: { path: { term: session.term?.id ?? '' } } })),
)
const sort = ref<'name' | 'need'>('name')
const rows = computed(() => {
  const students = [...(cohort.value?.students ?? [])]
  if (sort.value === 'need')
    students.sort(
      (a, b) => b.critical * 9 + b.atRisk * 3 + b.dueAgain - (a.critical * 9 + a.atRisk * 3 + a.dueAgain),
    )
  return students
})
type Row = (typeof rows.value)[number]
function standing(s: Row): string {
  const parts = []
  if (s.critical) parts.push(`${s.critical} open critical`)
  if (s.atRisk) parts.push(`${s.atRisk} at risk`)
  if (s.dueAgain) parts.push(`${s.dueAgain} due again`)
  return parts.length ? parts.join(', ') : s.secure ? 'on course' : 'not seen yet'
}
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !cohort" @again="again" />
    <template v-if="cohort">
      <div class="top">
        <h1>{{ cohort.name }}</h1>
        <span class="soft"
          >Week {{ Math.floor(cohort.week) + 1 }} of {{ cohort.weeks }} ·
          {{ cohort.students.length }} students · {{ cohort.practicals }} practicals · cut
          {{ cohort.cut }}</span
        >
        <span class="grow" />
        <span v-for="f in [...FINGERS].reverse()" :key="f.id" class="leg" :style="{ color: hue(f.id) }"
          ><i :style="{ background: hue(f.id) }" />{{ f.name }}</span
        >
      </div>
      <div class="top second">
        <div class="two" role="group" aria-label="Order of the students">
          <button
            class="push"
            :class="{ main: sort === 'name' }"
            :aria-pressed="sort === 'name'"
            @click="sort = 'name'"
          >
            By name
          </button>
          <button
            class="push"
            :class="{ main: sort === 'need' }"
            :aria-pressed="sort === 'need'"
            @click="sort = 'need'"
          >
            Who needs it first
          </button>
        </div>
        <span class="soft"
          >The number in the palm counts secure criteria. Dashed: not seen. Ring: due again. Cross: open
          critical.</span
        >
      </div>
      <div v-if="cohort.students.length === 0" class="card">
        <h2>No student in this term yet</h2>
        <p class="soft">The lead adds students under School.</p>
      </div>
      <p v-if="cohort.students.length > 0 && cohort.regions.length === 0" class="card soft">
        A palm for each region stands here once a practical of it is awarded.
      </p>
      <div v-if="cohort.students.length > 0" class="card grid">
        <table>
          <thead>
            <tr>
              <th scope="col"><span class="sr">Student</span></th>
              <th v-for="r in cohort.regions" :key="r" scope="col">{{ session.regionName(r) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in rows" :key="s.id">
              <th scope="row">
                <router-link :to="`/track/${s.id}`" class="name"
                  ><strong>{{ s.name }}</strong
                  ><span :class="{ hot: s.critical || s.atRisk }">{{ standing(s) }}</span></router-link
                >
              </th>
              <td v-for="p in s.palms" :key="p.region">
                <router-link :to="`/track/${s.id}#${p.region}`" class="cell"
                  ><Palm
                    :bars="p.bars"
                    :secure="p.secure"
                    :size="54"
                    :label="`${s.name}, ${session.regionName(p.region)}`"
                /></router-link>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </div>
</template>

<style scoped>
.second {
  min-height: 0;
}
.leg {
  font-weight: 650;
  font-size: 15px;
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.leg i {
  width: 8px;
  height: 16px;
  border-radius: 4px;
}
.two {
  display: flex;
  gap: 8px;
}
.grid {
  padding: 6px 14px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  font-size: 14px;
  padding: 6px 4px;
  border-bottom: 1px solid var(--line);
  z-index: 1;
}
tbody th {
  text-align: left;
  font-weight: 400;
}
tbody tr + tr {
  border-top: 1px solid var(--line);
}
td {
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
</style>
