<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { api, ask, type Problem } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import { word } from '@/parts/words'

const session = useSession()
const term = session.term?.id ?? ''
const {
  data: people,
  problem,
  loading,
  again,
} = useAsked(() => ask(api.GET('/api/terms/{id}/people', { params: { path: { id: term } } })))
const { data: profiles, again: readProfiles } = useAsked(() => ask(api.GET('/api/profiles')))
const lead = computed(() => session.person?.role === 'lead')
const form = reactive({
  name: '',
  signIn: '',
  password: '',
  role: 'student' as 'student' | 'grader' | 'instructor' | 'lead',
})
const failed = ref<Problem>()
const done = ref('')
const fault = (field: string) => failed.value?.faults.find((f) => f.field === field)?.reason

async function add() {
  failed.value = undefined
  done.value = ''
  try {
    const p = await ask(api.POST('/api/people', { body: { term, ...form } }))
    done.value = `${p.name} can sign in now.`
    Object.assign(form, { name: '', signIn: '', password: '' })
    await again()
  } catch (e) {
    failed.value = e as Problem
  }
}
async function choose(id: string) {
  try {
    await ask(api.PUT('/api/school/profile/{id}', { params: { path: { id } } }))
    await readProfiles()
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
  <div class="page">
    <div class="top">
      <h1>{{ session.session?.school }}</h1>
      <span class="soft">{{ session.term?.name }} · {{ session.term?.cohort }}</span>
    </div>
    <Standing :problem="problem" :loading="loading && !people" @again="again" />
    <div class="cols">
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
      </section>
      <section class="card">
        <h2>
          People of this term <span class="soft">{{ people?.length }}</span>
        </h2>
        <form v-if="lead" class="add" @submit.prevent="add">
          <v-text-field
            v-model="form.name"
            label="Name"
            hide-details="auto"
            :error-messages="fault('name')"
          />
          <v-text-field
            v-model="form.signIn"
            label="Sign-in"
            autocomplete="off"
            hide-details="auto"
            :error-messages="fault('signIn')"
          />
          <v-text-field
            v-model="form.password"
            label="First password, 10 characters or more"
            autocomplete="new-password"
            hide-details="auto"
            :error-messages="fault('password')"
          />
          <label class="role"
            >Role
            <select v-model="form.role">
              <option>student</option>
              <option>grader</option>
              <option>instructor</option>
              <option>lead</option>
            </select></label
          >
          <button class="push main" type="submit">Add</button>
          <p v-if="done" role="status">{{ done }}</p>
          <p v-if="failed && !failed.faults.length" role="alert" class="bad">{{ failed.detail }}</p>
        </form>
        <table class="lines">
          <tbody>
            <tr v-for="p in people" :key="p.id">
              <td>
                <router-link v-if="p.role === 'student'" :to="`/track/${p.id}`" class="name">{{
                  p.name
                }}</router-link><template v-else>{{ p.name }}</template>
              </td>
              <td class="soft">{{ p.role }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: 1fr 420px;
  gap: 14px;
  align-items: start;
}
.differ td {
  font-weight: 700;
}
.acts {
  display: flex;
  gap: 8px;
}
.add {
  display: flex;
  flex-direction: column;
  gap: 10px;
  margin: 10px 0;
}
.role {
  display: flex;
  align-items: center;
  gap: 10px;
  font-weight: 600;
}
select {
  min-height: 48px;
  flex: 1;
  border: 1.5px solid var(--ink);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 16px var(--text);
  padding: 0 12px;
}
td:has(.name) {
  padding-block: 0;
}
.name {
  display: inline-flex;
  min-height: 44px;
  align-items: center;
}
.bad {
  color: var(--stop);
}
</style>
