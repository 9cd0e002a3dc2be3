<script setup lang="ts">
import { computed } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { dutyTaskValues } from '@/api/schema'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { day } from '@/parts/words'

/** Who teaches and who grades which region: it stands on the lab plan. */
const session = useSession()
const path = { term: session.term?.id ?? '' }
const lead = computed(() => session.person?.role === 'lead' && !session.term?.archived)
const { failed, during } = useCommand()
const {
  data: known,
  problem,
  loading,
  again,
} = useAsked(async () => {
  const [duties, people, plan, substitutes] = await Promise.all([
    ask(api.GET('/api/terms/{term}/duties', { params: { path } })),
    ask(api.GET('/api/terms/{term}/people', { params: { path } })),
    ask(api.GET('/api/terms/{term}/curriculum', { params: { path } })),
    ask(api.GET('/api/terms/{term}/substitutes', { params: { path } })),
  ])
  return { duties, staff: people.filter((p) => p.role !== 'student'), plan, substitutes }
})
const regions = computed(() => {
  const planned = known.value?.plan.curriculum.lessons.map((l) => l.region as string) ?? []
  const named = known.value?.duties.map((d) => d.region as string) ?? []
  const all = [...new Set([...planned, ...named])]
  return all.length ? all : (session.catalogue?.regions.map((r) => r.id as string) ?? [])
})
const has = (account: string, region: string, task: string) =>
  !!known.value?.duties.some((d) => d.account === account && d.region === region && d.task === task)
async function toggle(person: Schema['Person'], region: string, task: Schema['Duty']['task']) {
  await during(async () => {
    const now = known.value
    if (!now) return
    const duties = has(person.id, region, task)
      ? now.duties.filter((d) => !(d.account === person.id && d.region === region && d.task === task))
      : [...now.duties, { account: person.id, name: person.name, region: region as 'neck', task }]
    const stored = await ask(
      api.PUT('/api/school/terms/{term}/duties', { params: { path }, body: { duties } }),
    )
    known.value = { ...now, duties: stored }
  })
}
</script>

<template>
  <section class="card" tabindex="0">
    <h2>Who teaches and grades what</h2>
    <Standing :problem="problem" :loading="loading && !known" @again="again" />
    <Failed :of="failed" />
    <table v-if="known" class="lines">
      <thead>
        <tr>
          <th>Region</th>
          <th v-for="p in known.staff" :key="p.id">
            {{ p.name }} <span class="soft">{{ p.role }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in regions" :key="r">
          <td>{{ session.regionName(r) }}</td>
          <td v-for="p in known.staff" :key="p.id">
            <div class="acts">
              <button
                v-for="t in dutyTaskValues"
                :key="t"
                class="push"
                :class="{ main: has(p.id, r, t) }"
                :aria-pressed="has(p.id, r, t)"
                :aria-label="`${p.name} ${t === 'teach' ? 'teaches' : 'grades'} ${session.regionName(r)}`"
                :disabled="!lead"
                @click="toggle(p, r, t)"
              >
                {{ t === 'teach' ? 'teaches' : 'grades' }}
              </button>
            </div>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="law">These names stand on the lab plan of each week.</p>
    <template v-if="known">
      <h2>Labs in other hands</h2>
      <ul v-if="known.substitutes.length" class="taken">
        <li v-for="s in known.substitutes" :key="`${s.week}.${s.lab}`">
          <router-link :to="`/briefing?lab=${s.week}.${s.lab}`"
            >Week {{ s.week }}, lab {{ s.lab }}</router-link
          >
          <span>{{ s.name }}, on {{ day(s.on) }}</span>
        </li>
      </ul>
      <p v-else class="soft">Every lab is its teacher's.</p>
      <router-link v-if="lead" class="push" to="/briefing">Ask a substitute for a lab</router-link>
    </template>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 6px;
}
.acts .push {
  padding: 4px 10px;
  font-size: 14px;
}
td:has(.acts) {
  padding-block: 0;
}
.bad {
  color: var(--stop);
}
.taken {
  list-style: none;
  margin: 0;
  padding: 0;
}
.taken li {
  display: flex;
  gap: 14px;
  min-height: var(--target);
  align-items: center;
}
section > a.push {
  align-self: flex-start;
}
</style>
