<script setup lang="ts">
import { computed, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { hue } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import { counted } from '@/parts/words'
import { fingerOf, percent } from './track'

/** Who will not be secure by the end of the term at this pace, and what would have to be seen when. */
const props = defineProps<{ cohort: Schema['Cohort'] }>()
const session = useSession()
const {
  data: forecast,
  problem,
  loading,
  again,
} = useAsked(() =>
  ask(api.GET('/api/terms/{term}/forecast', { params: { path: { term: props.cohort.term } } })),
)
watch(
  () => props.cohort,
  () => void again(),
)
const byStudent = computed(() => {
  const all = new Map<string, { id: string; name: string; lines: Schema['ForecastLine'][] }>()
  for (const l of forecast.value?.lines ?? []) {
    const own = all.get(l.student) ?? { id: l.student, name: l.name, lines: [] }
    own.lines.push(l)
    all.set(l.student, own)
  }
  return [...all.values()].sort((a, b) => b.lines.length - a.lines.length || a.name.localeCompare(b.name))
})
</script>

<template>
  <Standing :problem="problem" :loading="loading && !forecast" @again="again" />
  <template v-if="forecast">
    <div class="top second">
      <h2>Not secure by week {{ forecast.weeks }} at this pace</h2>
      <span class="soft"
        >{{ counted(forecast.students, 'student') }}, {{ counted(forecast.lines.length, 'bar') }};
        {{
          forecast.hopeless
            ? `${counted(forecast.hopeless, 'bar')} that no number of good looks would make secure in time`
            : 'good looks in time would make each of them secure'
        }}</span
      >
    </div>
    <p v-if="byStudent.length === 0" class="card soft">
      Nobody: what was seen twice or more will more likely than not be at the cut by the end of the term.
    </p>
    <section v-for="s in byStudent" :key="s.id" class="card">
      <h2>
        <router-link :to="`/track/${s.id}`">{{ s.name }}</router-link>
      </h2>
      <table class="lines">
        <thead class="sr">
          <tr>
            <th scope="col">Region</th>
            <th scope="col">Criterion</th>
            <th scope="col">At the cut at the end</th>
            <th scope="col">What would have to be seen</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in s.lines" :key="l.region + l.criterion">
            <td class="where">
              <router-link :to="`/track/${l.student}#${l.region}`">{{
                session.regionName(l.region)
              }}</router-link>
            </td>
            <td class="which">
              <b :style="{ color: hue(l.criterion) }">{{ fingerOf(l.criterion).name }}</b>
            </td>
            <td class="chance">{{ percent(l.forecast) }} likely at the cut by then</td>
            <td :class="{ late: l.pace.looks == null }">{{ l.pace.why }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </template>
</template>

<style scoped>
.second {
  min-height: 0;
}
h2 a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
  text-decoration: none;
}
.where {
  width: 220px;
}
.where a {
  min-width: var(--target);
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
}
.which {
  width: 140px;
}
.chance {
  width: 240px;
}
.late {
  color: var(--stop);
}
</style>
