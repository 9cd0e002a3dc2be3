<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Problem } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { word } from '@/parts/words'

/** How the school judges: its profiles side by side, and which is in use. */
const session = useSession()
const { data: profiles, again } = useAsked(() => ask(api.GET('/api/profiles')))
const lead = computed(() => session.person?.role === 'lead')
const failed = ref<Problem>()

async function choose(id: string) {
  failed.value = undefined
  try {
    await ask(api.PUT('/api/school/profile/{id}', { params: { path: { id } } }))
    await again()
  } catch (e) {
    failed.value = e as Problem
  }
}
/** What two profiles say differently, in the words of their fields. */
const rows = computed(() => {
  const all = profiles.value ?? []
  const line = (name: string, value: (p: (typeof all)[number]['profile']) => string | number) => {
    const values = all.map((p) => String(value(p.profile)))
    return { name, values, differ: new Set(values).size > 1 }
  }
  return [
    line('Warm-up before firm work, s', (p) => p.order.warmUpSeconds),
    line('Firm from depth', (p) => p.order.firmDepth),
    line('First on the skin', (p) => word(p.order.firstOnSkin)),
    line('Limbs', (p) => word(p.order.limb)),
    line('A hold ends', (p) => word(p.dose.holdEnd)),
    line('Site ceilings', (p) => `${word(p.pressure.ceilingEnd)} end`),
    line(
      'Client’s number in specific work',
      (p) => `${p.pressure.specificBand.low}–${p.pressure.specificBand.high}`,
    ),
    line('Gluteals', (p) => word(p.draping.gluteals)),
    line('Permission', (p) => word(p.draping.consent)),
    line('Largest silence, s', (p) => p.communication.largestSilenceSeconds),
    line('Bare thumb, share of the time', (p) => `${Math.round(100 * p.mechanics.bareThumbShare)} %`),
    line('Outcome', (p) => word(p.marking.outcome)),
    line('Cut', (p) => p.marking.cut),
  ]
})
</script>

<template>
  <section class="card">
    <h2>How this school judges</h2>
    <table v-if="profiles" class="lines">
      <thead>
        <tr>
          <th></th>
          <th v-for="p in profiles" :key="p.profile.id">{{ p.profile.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.name" :class="{ differ: r.differ }">
          <td>{{ r.name }}</td>
          <td v-for="(v, i) in r.values" :key="i">{{ v }}</td>
        </tr>
        <tr>
          <td></td>
          <td v-for="p in profiles" :key="p.profile.id">
            <div class="acts">
              <button
                class="push"
                :class="{ main: p.ofSchool }"
                :disabled="!lead || p.ofSchool"
                @click="choose(p.profile.id)"
              >
                {{ p.ofSchool ? 'In use' : 'Use this' }}
              </button>
              <router-link class="push" :to="`/school/profile/${p.profile.id}`">Open</router-link>
              <a class="push" :href="`/api/profiles/${p.profile.id}/file`" download>File</a>
            </div>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="law">Rows in bold are where the two schools disagree. {{ session.catalogue?.law }}</p>
    <p v-if="failed" role="alert" class="bad">{{ failed.detail }}</p>
  </section>
</template>

<style scoped>
.differ td {
  font-weight: 700;
}
.acts {
  display: flex;
  gap: 8px;
}
.bad {
  color: var(--stop);
}
</style>
