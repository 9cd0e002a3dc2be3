<script setup lang="ts">
import { useStorage, watchDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { mmss } from '@/parts/words'
import LegStrip from './LegStrip.vue'
import WhoIsWithWhom from './WhoIsWithWhom.vue'
import ChoiceField from '@/parts/ChoiceField.vue'

/** A practice round in a few touches: how long, who is there, how many tables; who is with whom is found, and can be changed. */
const route = useRoute()
const router = useRouter()
const sequence = ref(String(route.query.sequence ?? ''))
const { data: lines } = useAsked(() => ask(api.GET('/api/sequences')))
const { data: students, problem, loading, again } = useAsked(() => ask(api.GET('/api/rounds/students')))

const minutes = ref(Number(route.query.minutes) || 60)
const ROLES = [
  { id: 2, name: '2, one after the other' },
  { id: 3, name: '3, one watches' },
]
const roles = ref(2)
const tables = useStorage('palm-round-tables', 6)
const calls = useStorage('palm-round-calls', true)
const away = ref<string[]>([])
/** Who is marked away at the door is not seated. */
watch(students, (all) => (away.value = all?.filter((s) => s.away).map((s) => s.id) ?? []))
/** Who is where as somebody changed it, undefined while it is as it was found. */
const seats = ref<string[][]>()
const preview = ref<Schema['RoundPreview']>()
const { busy, failed: refused, during } = useCommand()

const people = computed(() =>
  (students.value ?? []).filter((s) => !away.value.includes(s.id)).map((s) => s.id),
)
const asked = computed(() => ({
  minutes: minutes.value,
  roles: roles.value,
  tables: tables.value,
  people: people.value,
  calls: calls.value,
  seats: seats.value,
}))
let latest = 0
async function look() {
  if (!students.value || !sequence.value) return
  const mine = ++latest
  try {
    const answer = await ask(
      api.POST('/api/sequences/{id}/rounds/preview', {
        params: { path: { id: sequence.value } },
        body: asked.value,
      }),
    )
    if (mine !== latest) return
    preview.value = answer
    refused.value = undefined
  } catch (e) {
    if (mine === latest) refused.value = e as Problem
  }
}
watchDebounced([asked, sequence, students], look, { debounce: 150, immediate: true, deep: true })

/** Whoever comes or goes is given a place anew. */
function toggle(id: string) {
  away.value = away.value.includes(id) ? away.value.filter((x) => x !== id) : [...away.value, id]
  seats.value = undefined
}
function anew() {
  seats.value = undefined
}
async function open() {
  await during(async () => {
    const r = await ask(
      api.POST('/api/sequences/{id}/rounds', {
        params: { path: { id: sequence.value } },
        body: {
          ...asked.value,
          seats: preview.value?.tables.map((t) => t.map((s) => s.id)),
        },
      }),
    )
    await router.push(`/show/rounds/${r.id}`)
  })
}
/** What each therapist has, with the time between. */
const each = computed(() =>
  (preview.value?.round.legs ?? []).filter((l) => l.role === 1).reduce((sum, l) => sum + l.seconds, 0),
)
/** What one therapist goes through, in words. */
const parts = computed(() =>
  (preview.value?.round.legs ?? [])
    .filter((l) => l.role === 1)
    .map((l) => `${l.name} ${mmss(l.seconds)}`)
    .join(' · '),
)
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Practice round</h1>
      <span class="soft">One clock for all tables; the class screen says who works on whom.</span>
    </div>
    <Standing :problem="problem" :loading="loading && !students" @again="again" />
    <p v-if="students?.length === 0" class="card soft">
      There is nobody in this term yet; <router-link to="/school">add the class first</router-link>.
    </p>
    <div v-else-if="students" class="two">
      <section class="card left" aria-label="Set up">
        <ChoiceField
          v-model="sequence"
          class="wide"
          label="Sequence"
          none="choose one"
          required
          :options="lines"
        />
        <div class="three">
          <label>Minutes <input v-model.number="minutes" type="number" min="5" max="480" step="5" /></label>
          <label
            >Tables <input v-model.number="tables" type="number" min="1" max="40" @change="anew"
          /></label>
          <ChoiceField
            v-model="roles"
            label="Therapists at a table"
            :options="ROLES"
            @update:model-value="anew"
          />
        </div>
        <label class="tick"
          ><input v-model="calls" type="checkbox" /> Call out the steps on the class screen</label
        >
        <h2>Who is here, {{ people.length }} of {{ students.length }}</h2>
        <div class="names" role="group" aria-label="Who is here">
          <button
            v-for="s in students"
            :key="s.id"
            class="push name"
            :aria-pressed="!away.includes(s.id)"
            @click="toggle(s.id)"
          >
            {{ s.name }}
          </button>
        </div>
      </section>
      <section class="card right" aria-label="The round">
        <Failed :of="refused" />
        <p v-if="!sequence" class="soft">Choose what is practised.</p>
        <template v-if="preview && sequence">
          <p>
            <strong class="num">{{ mmss(each) }}</strong> for each therapist, {{ mmss(preview.totalSeconds) }}
            in all.
            <span v-if="preview.round.leftOut.length" class="warn"
              >No time for {{ preview.round.leftOut.length }}
              {{ preview.round.leftOut.length === 1 ? 'step' : 'steps' }}.</span
            >
          </p>
          <LegStrip
            :legs="preview.round.legs"
            :seconds="preview.round.legs.map((l) => l.seconds)"
            :current="-1"
          />
          <p class="soft small">{{ parts }}</p>
          <WhoIsWithWhom :preview="preview" @seats="seats = $event" />
          <button class="push main go" :disabled="busy || !!refused" @click="open">Open the round</button>
        </template>
      </section>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  gap: 16px;
  align-items: start;
}
.left,
.right {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 2fr;
  gap: 12px;
  align-items: end;
}
label {
  display: flex;
  flex-direction: column;
  gap: 4px;
  font-size: 14px;
  color: var(--ink-soft);
}
input[type='number'] {
  width: 100%;
}
.tick {
  flex-direction: row;
  align-items: center;
  min-height: var(--target);
  font-size: 16px;
  gap: 10px;
}
.tick input {
  width: 22px;
  height: 22px;
}
.names {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.name[aria-pressed='false'] {
  opacity: 0.75;
  text-decoration: line-through;
  background: transparent;
}
.num {
  font-size: 26px;
}
.warn {
  color: var(--warn);
  font-weight: 650;
}
.go {
  align-self: flex-start;
  min-height: 56px;
  font-size: 20px;
  padding: 0 28px;
}
@media (max-width: 899px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
