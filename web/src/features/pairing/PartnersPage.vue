<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import WhoIsWithWhom from '@/features/demonstration/WhoIsWithWhom.vue'
import LabHead from '@/features/register/LabHead.vue'
import NoLab from '@/features/register/NoLab.vue'
import { useLabs } from '@/features/register/useLabs'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { offerUndo } from '@/parts/undoOffer'
import { counted } from '@/parts/words'
import KeepApart from './KeepApart.vue'
import MetGrid from './MetGrid.vue'

/** Partners of a lab, and over the term: who has worked with whom, and who will. */
const session = useSession()
const term = session.term?.id ?? ''
const { register, problem, loading, again, shown, chosen, place } = useLabs(term)
const path = computed(() => ({ term, week: place.value?.week ?? 0, lab: place.value?.lab ?? 0 }))
const plan = useAsked(() => ask(api.GET('/api/terms/{term}/partners', { params: { path: { term } } })))
const seats = useAsked(async () =>
  place.value
    ? ask(api.GET('/api/terms/{term}/seats/{week}/{lab}', { params: { path: path.value } }))
    : undefined,
)
watch(chosen, () => void seats.again())
const { busy, failed, during } = useCommand()

/** Tables as somebody changed them here, undefined while they are as they were found. */
const changed = ref<string[][]>()
watch(seats.data, () => (changed.value = undefined))
const nameOf = computed(() => new Map(plan.data.value?.students.map((s) => [s.id as string, s.name]) ?? []))
const tables = computed(() =>
  changed.value
    ? changed.value.map((t) => t.map((id) => ({ id, name: nameOf.value.get(id) ?? '' })))
    : (seats.data.value?.tables ?? []),
)
const preview = computed(() => ({ tables: tables.value, repeats: seats.data.value?.repeats ?? 0 }))

async function put(to: string[][]) {
  return during(async () => {
    seats.data.value = await ask(
      api.PUT('/api/terms/{term}/seats/{week}/{lab}', { params: { path: path.value }, body: { tables: to } }),
    )
    await plan.again()
  })
}
const sit = () => put(tables.value.map((t) => t.map((s) => s.id)))
async function findAnew() {
  const before = seats.data.value?.tables.map((t) => t.map((s) => s.id)) ?? []
  const sat = seats.data.value?.sat
  changed.value = undefined
  if (sat && (await put([]))) offerUndo('The seats of this lab are found anew.', () => put(before))
}

const wish = ref({ tables: 0, atTable: 2 })
watch(
  plan.data,
  (p) => {
    if (p && !wish.value.tables) wish.value = { tables: p.tables, atTable: p.atTable }
  },
  { immediate: true },
)
const AT_TABLE = [
  { id: 2, name: '2, one after the other' },
  { id: 3, name: '3, one watches' },
]
async function make() {
  const done = await during(async () => {
    plan.data.value = await ask(
      api.POST('/api/terms/{term}/partners', { params: { path: { term } }, body: wish.value }),
    )
  })
  if (!done) return
  await seats.again()
  const id = plan.data.value?.id
  if (id)
    offerUndo('Partners are planned for the labs to come.', async () => {
      plan.data.value = await ask(
        api.DELETE('/api/terms/{term}/partners/{plan}', { params: { path: { term, plan: id } } }),
      )
      await seats.again()
    })
}
/** How many others each has worked with, and will have. */
const bodies = computed(() => {
  const all = plan.data.value?.students ?? []
  const had = all.map((s) => s.met.filter((n) => n > 0).length)
  const will = all.map((s) => s.met.filter((n, i) => n + (s.planned[i] ?? 0) > 0).length)
  return {
    others: all.length - 1,
    had: [Math.min(...had), Math.max(...had)],
    will: [Math.min(...will), Math.max(...will)],
  }
})
const range = ([a, b]: number[]) => (a === b ? String(a) : `${a} to ${b}`)
</script>

<template>
  <div class="page">
    <Standing :problem="problem ?? plan.problem.value" :loading="loading && !register" @again="again" />
    <template v-if="register && shown && plan.data.value">
      <LabHead v-model="chosen" title="Partners" :labs="register.labs" here="partners">
        <router-link class="push" to="/show/rounds">Practice round</router-link>
      </LabHead>
      <p v-if="plan.data.value.students.length < 2" class="card soft">
        Partners take two students at least; <router-link to="/school">add the class first</router-link>.
      </p>
      <div v-else class="cols">
        <section class="card" aria-label="Tables of this lab">
          <Standing
            v-if="!seats.data.value"
            :problem="seats.problem.value"
            :loading="true"
            @again="seats.again"
          />
          <template v-else>
            <p class="said">
              <strong v-if="seats.data.value.sat">So they sat.</strong>
              <strong v-else-if="!seats.data.value.planned">Found for those who are there.</strong>
              <strong v-else-if="seats.data.value.changed === 0">As planned.</strong>
              <strong v-else
                >{{ counted(seats.data.value.changed, 'pair') }} of the plan changed, as few as can
                be.</strong
              >
              <span v-if="seats.data.value.away.length" class="soft">
                Away: {{ seats.data.value.away.map((s) => s.name).join(', ') }}.</span
              >
            </p>
            <p v-if="seats.data.value.unmet" class="warn">
              {{ counted(seats.data.value.unmet, 'table') }} could not be made as is asked today. Another
              table, or threes, may do.
            </p>
            <Failed :of="failed" />
            <WhoIsWithWhom
              v-if="tables.length"
              :preview="preview"
              :sat="seats.data.value.sat && !changed"
              @seats="changed = $event"
            />
            <p v-else class="soft">Fewer than two are there.</p>
            <div class="acts">
              <button
                class="push main"
                :disabled="busy || !tables.length || (seats.data.value.sat && !changed)"
                @click="sit"
              >
                {{ seats.data.value.sat && !changed ? 'Kept' : 'So they sit' }}
              </button>
              <button v-if="changed || seats.data.value.sat" class="push" :disabled="busy" @click="findAnew">
                Find them anew
              </button>
            </div>
            <p class="soft small">
              The first of a table begins as therapist. What is kept here counts as done; the plan does not.
            </p>
          </template>
        </section>
        <section class="card" aria-label="Over the term">
          <h2>Who has worked with whom</h2>
          <p class="soft small">
            {{ range(bodies.had) }} of {{ bodies.others }} others so far<template
              v-if="plan.data.value.labs.length"
              >, {{ range(bodies.will) }} with the {{ counted(plan.data.value.labs.length, 'lab') }} that
              {{ plan.data.value.labs.length === 1 ? 'is' : 'are' }} planned</template
            >. Filled: worked together; ring: planned.
          </p>
          <MetGrid :students="plan.data.value.students" />
          <form v-if="session.plans" class="wish" @submit.prevent="make">
            <label class="field"
              >Tables <input v-model.number="wish.tables" type="number" min="1" max="100" class="slim"
            /></label>
            <ChoiceField v-model="wish.atTable" label="At a table" :options="AT_TABLE" />
            <button class="push main" :disabled="busy">
              {{ plan.data.value.labs.length ? 'Plan the labs to come anew' : 'Plan the labs to come' }}
            </button>
          </form>
          <KeepApart :students="plan.data.value.students" />
        </section>
      </div>
    </template>
    <NoLab v-else-if="register && !shown" />
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 560px);
  gap: 14px;
  align-items: start;
}
.card {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.acts,
.wish {
  display: flex;
  gap: 8px 12px;
  flex-wrap: wrap;
  align-items: center;
}
.warn {
  color: var(--warn);
  font-weight: 650;
}
.small {
  font-size: 14px;
}
input.slim {
  width: 76px;
}
@media (max-width: 900px) {
  .cols {
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }
}
</style>
