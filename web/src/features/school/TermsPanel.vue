<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import { day } from '@/parts/words'

/** Terms of the school: which one is worked in, new ones, the archive. */
const session = useSession()
const lead = computed(() => session.person?.role === 'lead')
const terms = computed(() => session.session?.terms ?? [])
const empty = () => ({
  id: '',
  name: '',
  cohort: '',
  startsOn: new Date().toISOString().slice(0, 10),
  weeks: 15,
})
const form = reactive(empty())
const { failed, during } = useCommand()

const change = (call: () => Promise<Schema['TermView'][]>) =>
  during(async () => {
    const had = new Set(terms.value.map((t) => t.id))
    const made = (await call()).find((t) => !had.has(t.id))
    await session.read()
    // Who makes a term wants to work in it.
    if (made) session.workIn(made.id)
  })
async function store() {
  const { id, ...body } = form
  const done = await change(() =>
    id
      ? ask(api.PUT('/api/school/terms/{term}', { params: { path: { term: id } }, body }))
      : ask(api.POST('/api/school/terms', { body })),
  )
  if (done) Object.assign(form, empty())
}
const nameField = ref<HTMLInputElement>()
/** Puts a term into the form, and the form into sight. */
function open({ id, name, cohort, startsOn, weeks }: Schema['TermView']) {
  Object.assign(form, { id, name, cohort, startsOn, weeks })
  nameField.value?.focus()
}
const archive = (t: Schema['TermView'], archived: boolean) =>
  change(() =>
    ask(
      api.PUT('/api/school/terms/{term}/archived', { params: { path: { term: t.id } }, body: { archived } }),
    ),
  )
</script>

<template>
  <div class="cols">
    <section class="card">
      <h2>Terms</h2>
      <table class="lines">
        <thead>
          <tr>
            <th>Term</th>
            <th>From</th>
            <th>Weeks</th>
            <th><span class="sr">Acts</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="t in terms" :key="t.id">
            <td>
              <strong>{{ t.name }}</strong><br /><span class="soft"
                >{{ t.cohort
                }}{{ t.archived ? ', in the archive' : `, week ${Math.floor(t.week) + 1}` }}</span
              >
            </td>
            <td>{{ day(t.startsOn) }} {{ t.startsOn.slice(0, 4) }}</td>
            <td>{{ t.weeks }}</td>
            <td>
              <div class="acts">
                <button
                  class="push"
                  :class="{ main: session.term?.id === t.id }"
                  :disabled="session.term?.id === t.id"
                  :aria-label="`Work in ${t.name}`"
                  @click="session.workIn(t.id)"
                >
                  {{ session.term?.id === t.id ? 'At work here' : 'Work in it' }}
                </button>
                <a
                  class="push"
                  :href="`/api/terms/${t.id}/archive`"
                  download
                  :aria-label="`Whole of ${t.name} as a file`"
                  >Whole</a
                >
                <template v-if="lead">
                  <button v-if="!t.archived" class="push" :aria-label="`Change ${t.name}`" @click="open(t)">
                    Change
                  </button>
                  <button
                    class="push"
                    :aria-label="
                      t.archived ? `Take ${t.name} out of the archive` : `Put ${t.name} into the archive`
                    "
                    @click="archive(t, !t.archived)"
                  >
                    {{ t.archived ? 'Out of archive' : 'Archive' }}
                  </button>
                </template>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="law">
        A term in the archive is read only. “Whole” is a file with its plan, people and every practical in the
        open formats.
      </p>
      <p v-if="session.term" class="before">
        Marks of before, out of a spreadsheet or another program
        <router-link class="push" to="/earlier">Earlier marks</router-link>
      </p>
    </section>
    <form v-if="lead" class="card" aria-label="Term" @submit.prevent="store">
      <h2>{{ form.id ? 'Change a term' : 'New term' }}</h2>
      <label>Name <input ref="nameField" v-model.trim="form.name" maxlength="200" required /></label>
      <label>Cohort <input v-model.trim="form.cohort" maxlength="200" required /></label>
      <label>First day <input v-model="form.startsOn" type="date" required /></label>
      <label>Weeks <input v-model.number="form.weeks" type="number" min="1" max="60" required /></label>
      <Failed :of="failed" />
      <div class="acts">
        <button class="push main">{{ form.id ? 'Store' : 'Make it' }}</button>
        <button v-if="form.id" class="push" type="button" @click="Object.assign(form, empty())">
          Leave it
        </button>
      </div>
    </form>
  </div>
</template>

<style scoped>
.before {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 14px;
  align-items: start;
}
form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
label {
  display: flex;
  flex-direction: column;
  font-weight: 600;
  font-size: 14px;
  gap: 2px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.acts .push {
  padding: 4px 10px;
  font-size: 14px;
}
.bad {
  color: var(--stop);
}
@media (max-width: 900px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
