<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import FindingCard from '@/parts/FindingCard.vue'
import Standing from '@/parts/Standing.vue'
import { HOUR_KINDS } from '@/parts/hours'
import { capital, counted } from '@/parts/words'
import HoursBar from './HoursBar.vue'
import StudentHours from './StudentHours.vue'

/** The hours of a class by kind, beside what the school asks for: who will lack what, the most first. */
const props = defineProps<{ term: string }>()
const { data, problem, loading, again } = useAsked(() =>
  ask(api.GET('/api/terms/{term}/hours', { params: { path: { term: props.term } } })),
)
type Line = Schema['HoursLine']
const opened = ref<string>()
const line = computed(() => data.value?.students.find((s) => s.id === opened.value))
/** Kinds that are asked for or that anybody has. */
const kinds = computed(() =>
  HOUR_KINDS.filter((k) =>
    data.value?.students.some((s) => of(s, k.id).asked > 0 || counts(of(s, k.id)) > 0),
  ),
)
const of = (s: Line, kind: string) => s.kinds.find((k) => k.kind === kind)!
const counts = (k: Schema['KindHours']) => k.attended + k.madeUp + k.entered + k.excused
/** The width of a column is the most that anybody comes to or is asked for. */
const full = (kind: string) =>
  Math.max(
    ...(data.value?.students ?? []).map((s) => {
      const k = of(s, kind)
      return Math.max(k.asked, counts(k) + k.toCome)
    }),
  )
const fullOfAll = computed(() =>
  Math.max(...(data.value?.students ?? []).map((s) => Math.max(s.all.asked, counts(s.all) + s.all.toCome))),
)
const order = ref<'lacking' | 'name'>('lacking')
const lines = computed(() => {
  const all = [...(data.value?.students ?? [])]
  const lacking = (s: Line) =>
    s.kinds
      .filter((k) => HOUR_KINDS.some((h) => h.id === k.kind && h.inLabs))
      .reduce((n, k) => n + k.missing, 0)
  return order.value === 'name'
    ? all
    : all.sort((a, b) => lacking(b) - lacking(a) || b.labsMissed - a.labsMissed)
})
const short = computed(() => data.value?.students.filter((s) => s.findings.length > 0).length ?? 0)
</script>

<template>
  <Standing :problem="problem" :loading="loading && !data" @again="again" />
  <div v-if="data" class="cols" :class="{ wide: !line }">
    <section class="card list" aria-label="Hours of the class">
      <div class="head">
        <p class="soft">
          {{ short === 0 ? 'Nobody will lack hours.' : `${counted(short, 'student')} to talk to.` }}
          An hour is {{ data.hourMinutes }} minutes here. Filled: counts · striped: to come ·
          <span class="redmark">│</span> asked for
        </p>
        <span class="grow" />
        <button class="push" @click="order = order === 'name' ? 'lacking' : 'name'">
          {{ order === 'name' ? 'By what is lacking' : 'By name' }}
        </button>
        <a class="push" :href="`/api/terms/${term}/hours.csv`" download>As a table (CSV)</a>
      </div>
      <p
        v-if="kinds.every((k) => (data?.students[0] ? of(data.students[0], k.id).asked : 0) === 0)"
        class="soft"
      >
        No hours are asked for yet: say them by kind under
        <router-link to="/term">Plan, the term</router-link>.
      </p>
      <p v-if="data.students.length === 0" class="soft">Nobody is in this term yet.</p>
      <table v-else class="lines">
        <thead>
          <tr>
            <th>Student</th>
            <th>All</th>
            <th v-for="k in kinds" :key="k.id" class="kind">{{ capital(k.name) }}</th>
            <th>Missed</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in lines" :key="s.id" :class="{ on: s.id === opened }">
            <td>
              <button
                class="who"
                :aria-pressed="s.id === opened"
                @click="opened = s.id === opened ? undefined : s.id"
              >
                {{ s.name }}<span v-if="s.leftOn" class="soft"> left</span>
              </button>
            </td>
            <td><HoursBar :of="s.all" :full="fullOfAll" /></td>
            <td v-for="k in kinds" :key="k.id" class="kind">
              <HoursBar :of="of(s, k.id)" :full="full(k.id)" />
            </td>
            <td class="n">{{ s.labsMissed || '' }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="line" class="card one" :aria-label="`Hours of ${line.name}`">
      <div class="head">
        <h2>{{ line.name }}</h2>
        <span class="grow" />
        <button class="push" aria-label="Close" @click="opened = undefined">×</button>
      </div>
      <FindingCard v-for="f in line.findings" :key="f.rule + f.kind" :finding="f" />
      <StudentHours :key="line.id" :term="term" :student="line.id" @changed="again" />
    </section>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 360px);
  gap: 14px;
  align-items: start;
}
.cols.wide {
  grid-template-columns: minmax(0, 1fr);
}
.head {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.one {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.cols:not(.wide) .kind {
  display: none;
}
.who {
  white-space: nowrap;
  border: 0;
  background: none;
  color: inherit;
  font: 600 15px var(--text);
  min-height: var(--target);
  text-align: left;
  cursor: pointer;
  padding: 0;
}
.on td {
  background: var(--linen);
}
.n {
  text-align: center;
}
.redmark {
  color: var(--stop);
  font-weight: 700;
}
/* Where there is no room for a bar a kind, its number is told. */
@media (max-width: 1150px) {
  .kind :deep(.bar) {
    display: none;
  }
}
@media (max-width: 900px) {
  .cols {
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }
  .kind {
    display: none;
  }
  .one {
    order: -1;
  }
}
</style>
