<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import { offerUndo } from '@/parts/undoOffer'
import Standing from '@/parts/Standing.vue'
import GoneStudents from './GoneStudents.vue'
import AccessForm from './AccessForm.vue'
import ClassListForm from './ClassListForm.vue'
import NotesForm from './NotesForm.vue'
import SignInSheet from './SignInSheet.vue'

/** The people of a term: a class list in, sign-ins made and reset, what their bodies must be spared. */
const session = useSession()
const term = computed(() => session.term?.id ?? '')
const {
  data: people,
  problem,
  loading,
  again,
} = useAsked(() => ask(api.GET('/api/terms/{term}/people', { params: { path: { term: term.value } } })))
const lead = computed(() => session.person?.role === 'lead')
const open = computed(() => !session.term?.archived)
const sheets = ref<Schema['SignInSheet'][]>([])
const noted = ref<Schema['Person']>()
const access = ref<Schema['Person']>()
const { failed, during } = useCommand()
const asked = ref<{ id: string; what: 'password' | 'leave' }>()

async function taken(made: Schema['SignInSheet'][]) {
  sheets.value = made
  await again()
}
async function sure(p: Schema['Person'], what: 'password' | 'leave') {
  if (asked.value?.id !== p.id || asked.value.what !== what) {
    asked.value = { id: p.id, what }
    return
  }
  asked.value = undefined
  await during(async () => {
    if (what === 'password')
      sheets.value = [await ask(api.POST('/api/people/{id}/password', { params: { path: { id: p.id } } }))]
    else {
      const params = { path: { term: term.value, account: p.id } }
      await ask(api.DELETE('/api/school/terms/{term}/people/{account}', { params }))
      offerUndo(`${p.name} is out of this term.`, async () => {
        await ask(api.PUT('/api/school/terms/{term}/people/{account}', { params }))
        await again()
      })
      await again()
    }
  })
}
const waits = (p: Schema['Person'], what: 'password' | 'leave') =>
  asked.value?.id === p.id && asked.value.what === what
</script>

<template>
  <div class="cols">
    <section class="card">
      <h2>
        People of this term <span class="soft">{{ people?.length }}</span>
      </h2>
      <Standing :problem="problem" :loading="loading && !people" @again="again" />
      <Failed :of="failed" />
      <p v-if="people && people.every((p) => p.role !== 'student')" class="soft">
        No student yet. {{ lead ? 'Paste the class list under “Add people”.' : 'The lead adds them.' }}
      </p>
      <table v-if="people" class="lines">
        <thead>
          <tr>
            <th>Name</th>
            <th>Role</th>
            <th><span class="sr">Acts</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in people" :key="p.id">
            <td>
              <router-link v-if="p.role === 'student'" :to="`/track/${p.id}`" class="name">{{
                p.name
              }}</router-link><template v-else>{{ p.name }}</template>
            </td>
            <td class="soft">{{ p.role }}</td>
            <td>
              <div class="acts">
                <button
                  class="push"
                  :class="{ main: noted?.id === p.id }"
                  :aria-pressed="noted?.id === p.id"
                  :aria-label="`Body notes of ${p.name}`"
                  @click="noted = noted?.id === p.id ? undefined : p"
                >
                  Body notes
                </button>
                <button
                  v-if="lead"
                  class="push"
                  :class="{ main: access?.id === p.id }"
                  :aria-pressed="access?.id === p.id"
                  :aria-label="`Sign-in of ${p.name}`"
                  @click="access = access?.id === p.id ? undefined : p"
                >
                  Sign-in
                </button>
                <template v-if="lead && open">
                  <button
                    class="push"
                    :aria-label="`New password for ${p.name}`"
                    @click="sure(p, 'password')"
                  >
                    {{ waits(p, 'password') ? 'Sure? The old one ends' : 'New password' }}
                  </button>
                  <button
                    v-if="p.id !== session.person?.id"
                    class="push"
                    :aria-label="`Take ${p.name} out of the term`"
                    @click="sure(p, 'leave')"
                  >
                    {{ waits(p, 'leave') ? 'Sure?' : 'Out' }}
                  </button>
                </template>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <div class="right">
      <SignInSheet v-if="sheets.length" :sheets="sheets" @close="sheets = []" />
      <AccessForm
        v-if="access"
        :key="access.id"
        :term="term"
        :person="access"
        :self="access.id === session.person?.id"
        @close="access = undefined"
      />
      <NotesForm v-if="noted" :key="noted.id" :person="noted" @close="noted = undefined" />
      <ClassListForm v-if="lead && open" :term="term" @taken="taken" />
      <p v-else-if="!lead" class="card soft">The lead of the school adds people and makes sign-ins.</p>
      <p v-else class="card soft">This term is in the archive: read only.</p>
      <GoneStudents v-if="lead" :key="people?.length" />
    </div>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 420px;
  gap: 14px;
  align-items: start;
}
.right {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.acts {
  display: flex;
  gap: 6px;
  justify-content: flex-end;
}
.acts .push {
  padding: 4px 10px;
  font-size: 14px;
}
td:has(.name),
td:has(.acts) {
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
@media (max-width: 1100px) {
  .cols {
    grid-template-columns: minmax(0, 1fr) 340px;
  }
}
@media (max-width: 900px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
