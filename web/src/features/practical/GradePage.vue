<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { readOnWhile, usePages } from '@/api/usePages'
import { useSession } from '@/features/session/useSession'
import DutyShut from '@/features/graderpractice/DutyShut.vue'
import RaisedLink from '@/features/raised/RaisedLink.vue'
import Failed from '@/parts/Failed.vue'
import OwnSittings from '@/features/timetable/OwnSittings.vue'
import OfflineNote from '@/parts/OfflineNote.vue'
import Standing from '@/parts/Standing.vue'
import { day } from '@/parts/words'
import PracticalLines from './PracticalLines.vue'
import SetUpForm from './SetUpForm.vue'
import { useFloor } from './useFloor'
import { useSetUp } from './useSetUp'

/** Practicals are set up here, and found again: those at the tables, those that wait for a review, those that were awarded. */
const session = useSession()
const floor = useFloor()
const router = useRouter()
const { lines, more, earlier, problem, loading, again } = usePages((before) =>
  ask(
    api.GET('/api/terms/{term}/practicals', {
      params: { path: { term: session.term?.id ?? '' }, query: { before } },
    }),
  ),
)
const open = computed(
  () => lines.value?.filter((l) => !l.finished && !l.voidReason && l.kind !== 'peer-look') ?? [],
)
const setUp = useSetUp(() => open.value, again)
const { failed, during } = useCommand()
/** Of all that was seen in the term, by any word of a line; earlier pages are asked for as long as somebody looks. */
const sought = ref('')
const found = computed(() => {
  const words = sought.value.toLowerCase().split(' ').filter(Boolean)
  return lines.value?.filter((l) => {
    const said = [l.student, l.sequence, l.grader, l.kind, l.result, day(l.startedAt)].join(' ').toLowerCase()
    return words.every((w) => said.includes(w))
  })
})
readOnWhile({ lines, more, earlier }, () => sought.value !== '')
const waiting = computed(
  () => found.value?.filter((l) => l.finished && (!l.result || l.since) && !l.voidReason) ?? [],
)
const held = computed(
  () => found.value?.filter((l) => l.result && !l.since && !l.released && !l.voidReason && !l.beside) ?? [],
)
const done = computed(
  () => found.value?.filter((l) => l.voidReason || (l.result && !l.since && (l.released || l.beside))) ?? [],
)
/** Marks the run of another grader on one's own. */
const beside = (id: string) =>
  during(async () => {
    const view = await ask(api.POST('/api/practicals/{id}/beside', { params: { path: { id } } }))
    floor.put(view)
    await router.push(`/grade/${view.id}`)
  })
void floor.load()
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Grade</h1>
      <span class="soft">{{ session.term?.cohort }}</span>
      <span class="grow" />
      <RaisedLink />
      <router-link class="push" to="/timetable">Timetable</router-link>
      <router-link v-if="floor.tables.value.length" class="push main" to="/floor"
        >The floor: {{ floor.tables.value.length }} at the tables</router-link
      >
    </div>
    <OfflineNote />
    <DutyShut />
    <OwnSittings />
    <SetUpForm :of="setUp" />
    <Failed :of="failed" />
    <Standing :problem="problem" :loading="loading && !lines" @again="again" />
    <template v-if="lines">
      <section v-if="open.length" class="card">
        <h2>At the tables now</h2>
        <template v-for="l in open" :key="l.id">
          <router-link v-if="l.graderId === session.person?.id" class="line" :to="`/grade/${l.id}`">
            <strong>{{ l.student }}</strong><span>{{ l.sequence }}</span
            ><span class="soft">table {{ l.tableNumber }}</span
            ><span class="soft">{{ day(l.startedAt) }}</span
            ><span class="go">go on</span>
          </router-link>
          <div v-else class="line">
            <strong>{{ l.student }}</strong><span>{{ l.sequence }}</span
            ><span class="soft">table {{ l.tableNumber }}</span
            ><span class="soft">{{ l.grader }}</span
            ><button v-if="!l.beside" class="push" @click="beside(l.id)">Mark beside</button>
          </div>
        </template>
      </section>
      <label v-if="lines.length > 10" class="field above find"
        >Find a practical
        <input v-model="sought" type="search" placeholder="student, sequence, grader, day" />
      </label>
      <p v-if="sought && !found?.length && !loading" class="soft" role="status">
        No practical of this term says “{{ sought }}”.
      </p>
      <PracticalLines
        title="Waiting for review"
        :lines="waiting"
        :none="sought ? undefined : 'Nothing waits: everything finished has been awarded.'"
      />
      <PracticalLines title="For the lead to release" :lines="held" />
      <PracticalLines
        title="Awarded"
        :lines="done"
        :more="more"
        :none="sought ? undefined : 'Nothing has been awarded in this term yet.'"
        @earlier="earlier"
      />
    </template>
  </div>
</template>

<style scoped>
.find {
  max-width: 420px;
}
</style>
<style scoped src="./lines.css"></style>
