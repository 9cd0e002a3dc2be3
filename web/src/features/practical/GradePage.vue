<script setup lang="ts">
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { readOnWhile, usePages } from '@/api/usePages'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import OfflineNote from '@/parts/OfflineNote.vue'
import Standing from '@/parts/Standing.vue'
import { FINGERS, type Criterion } from '@/parts/criteria'
import { day } from '@/parts/words'
import BeforeHands from './BeforeHands.vue'
import PracticalLines from './PracticalLines.vue'
import { briefOf, filled, freeTable, inTheWay, type Place, type Setting } from './places'
import { useFloor } from './useFloor'

const session = useSession()
const floor = useFloor()
const router = useRouter()
const route = useRoute()
const term = computed(() => session.term?.id ?? '')
const path = computed(() => ({ path: { term: term.value } }))
const { lines, more, earlier, problem, loading, again } = usePages((before) =>
  ask(api.GET('/api/terms/{term}/practicals', { params: { ...path.value, query: { before } } })),
)
const { data: people } = useAsked(() => ask(api.GET('/api/terms/{term}/people', { params: path.value })))
const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))

const brief = reactive({
  sequence: '',
  sides: 'each' as 'each' | 'left' | 'right',
  minutes: undefined as number | undefined,
  criterion: '' as Criterion | '',
  grader: '',
  /** Steps that are not asked. */
  out: [] as string[],
})
/** A look at one criterion takes two minutes. */
const SPOT_MINUTES = 2
watch(
  () => brief.criterion,
  (c) => (brief.minutes = c ? SPOT_MINUTES : undefined),
)
/** A line for each table. */
const places = ref<Place[]>([{ table: 1, student: '', partner: '' }])
const { busy, failed, during } = useCommand()
const students = computed(() => people.value?.filter((p) => p.role === 'student') ?? [])
const open = computed(
  () => lines.value?.filter((l) => !l.finished && !l.voidReason && l.kind !== 'peer-look') ?? [],
)
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
async function beside(id: string) {
  await during(async () => {
    const view = await ask(api.POST('/api/practicals/{id}/beside', { params: { path: { id } } }))
    floor.put(view)
    await router.push(`/grade/${view.id}`)
  })
}
watch(sequences, (s) => (brief.sequence ||= s?.[0]?.id ?? ''))
const { data: plan, again: readPlan } = useAsked(async () =>
  brief.sequence
    ? ask(api.GET('/api/sequences/{id}', { params: { path: { id: brief.sequence } } }))
    : undefined,
)
watch(
  () => brief.sequence,
  () => {
    void readPlan()
    brief.out = []
    places.value = places.value.map((p) => ({ ...p, asked: undefined, sides: undefined, ready: undefined }))
  },
)
const steps = computed(() =>
  plan.value?.sequence.id === brief.sequence ? plan.value.sequence.blocks.flatMap((b) => b.steps) : [],
)
const setting = computed<Setting>(() => ({
  term: term.value,
  sequence: brief.sequence,
  steps: steps.value.map((s) => s.id),
  sides: brief.sides,
  minutes: brief.minutes,
  criterion: brief.criterion || undefined,
  grader: brief.grader || undefined,
  asked: brief.out.length ? steps.value.map((s) => s.id).filter((id) => !brief.out.includes(id)) : undefined,
}))
const graders = computed(
  () => people.value?.filter((p) => p.role !== 'student' && p.id !== session.person?.id) ?? [],
)
const zones = computed(() => [...new Set(steps.value.flatMap((s) => s.zones))])
const lying = (p: Place) => students.value.find((s) => s.id === p.partner)?.name ?? 'whoever lies here'
const taken = (id: string, besides: Place) =>
  places.value.some((p) => p !== besides && [p.student, p.partner, p.observer].includes(id))

function another() {
  const free = freeTable(places.value, open.value)
  places.value = [...places.value, { table: free, student: '', partner: '' }]
}
/** Puts at each table whoever has not shown this yet, with a partner who waits. */
async function fill() {
  await during(async () => {
    const had = await ask(
      api.GET('/api/terms/{term}/sequences/{sequence}/students', {
        params: { path: { term: term.value, sequence: brief.sequence } },
      }),
    )
    places.value = filled(
      places.value,
      students.value.map((s) => s.id),
      new Set(had),
    )
  })
}
const named = computed(() => places.value.filter((p) => p.student))
const ready = computed(() => named.value.filter((p) => !inTheWay(p)))
async function start(these: Place[]) {
  let started = ''
  await during(async () => {
    for (const p of these) {
      const view = await ask(api.POST('/api/practicals', { body: briefOf(p, setting.value) }))
      if (!brief.grader) floor.put(view)
      if (p.observer)
        await ask(
          api.POST('/api/practicals/{id}/peer-looks', {
            params: { path: { id: view.id } },
            body: { observer: p.observer },
          }),
        )
      started = view.id
      places.value = places.value.filter((x) => x.table !== p.table)
    }
    // Table by table: what is set up beside it waits here.
    if (named.value.length > 0) return
    // Somebody else's table is on their floor.
    if (brief.grader) return void (await again())
    await router.push(these.length === 1 ? `/grade/${started}` : '/floor')
  })
  if (places.value.length === 0) another()
}
void floor.load()
/** After a practical the two change places: the same is asked of the one who lay on the table. */
async function changeRoles(id: string) {
  const last = await ask(api.GET('/api/practicals/{id}', { params: { path: { id } } }))
  brief.sequence = last.sequence.id
  brief.sides = last.sides as 'each'
  brief.minutes = last.limitSeconds ? Math.round(last.limitSeconds / 60) : undefined
  places.value = [{ table: last.tableNumber, student: last.partner?.id ?? '', partner: last.student.id }]
}
/** A re-take: the same student, and only what did not hold. */
async function showAgain(id: string) {
  const last = await ask(api.GET('/api/practicals/{id}', { params: { path: { id } } }))
  brief.sequence = last.sequence.id
  brief.sides = last.sides as 'each'
  await nextTick()
  places.value = [
    {
      table: freeTable([], open.value),
      student: last.student.id,
      partner: last.partner?.id ?? '',
      asked: last.again.map((a) => a.step),
      retakeOf: id,
    },
  ]
}
/** One to look at, out of the list of those to look at next. */
async function lookAt(student: string, sequence: string, criterion?: string, minutes?: number) {
  if (sequence) brief.sequence = sequence
  if (FINGERS.some((f) => f.id === criterion)) brief.criterion = criterion as Criterion
  await nextTick()
  if (minutes && minutes <= 240) brief.minutes = minutes
  places.value = [{ table: freeTable([], open.value), student, partner: '' }]
}
const {
  swap,
  again: retake,
  student: wanted,
  sequence: shown,
  criterion: watched,
  minutes: within,
} = route.query
if (typeof wanted === 'string')
  void lookAt(
    wanted,
    typeof shown === 'string' ? shown : '',
    typeof watched === 'string' ? watched : undefined,
    Number(within) || undefined,
  )
if (typeof retake === 'string') void during(() => showAgain(retake))
if (typeof swap === 'string') void during(() => changeRoles(swap))
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Grade</h1>
      <span class="soft">{{ session.term?.cohort }}</span>
      <span class="grow" />
      <router-link v-if="floor.tables.value.length" class="push main" to="/floor"
        >The floor: {{ floor.tables.value.length }} at the tables</router-link
      >
    </div>
    <OfflineNote />
    <form class="card set" aria-label="New practical" @submit.prevent="start(ready)">
      <div class="brief">
        <label
          >Sequence
          <select v-model="brief.sequence" required>
            <option v-for="s in sequences" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select></label
        >
        <label
          >Sides
          <select v-model="brief.sides">
            <option value="each">both</option>
            <option value="left">left</option>
            <option value="right">right</option>
          </select></label
        >
        <label
          >What
          <select v-model="brief.criterion">
            <option value="">a practical</option>
            <option v-for="f in FINGERS" :key="f.id" :value="f.id">
              spot check: {{ f.name.toLowerCase() }}
            </option>
          </select></label
        >
        <label
          >Minutes <input v-model.number="brief.minutes" type="number" min="1" max="240" placeholder="none"
        /></label>
        <label v-if="graders.length"
          >Grader
          <select v-model="brief.grader">
            <option value="">me</option>
            <option v-for="g in graders" :key="g.id" :value="g.id">{{ g.name }}</option>
          </select></label
        >
        <span class="grow" />
        <button class="push" type="button" @click="fill">Fill in</button>
        <button class="push" type="button" @click="another">One table more</button>
      </div>
      <details v-if="steps.length">
        <summary>
          {{
            brief.out.length
              ? `${steps.length - brief.out.length} of ${steps.length} steps asked`
              : 'All steps asked'
          }}
        </summary>
        <div class="steps" role="group" aria-label="Steps asked">
          <button
            v-for="(st, n) in steps"
            :key="st.id"
            class="push"
            type="button"
            :class="{ main: !brief.out.includes(st.id) }"
            :aria-pressed="!brief.out.includes(st.id)"
            @click="
              brief.out = brief.out.includes(st.id)
                ? brief.out.filter((x) => x !== st.id)
                : brief.out.length < steps.length - 1
                  ? [...brief.out, st.id]
                  : brief.out
            "
          >
            {{ n + 1 }} {{ st.name }}
          </button>
        </div>
      </details>
      <div v-for="(p, i) in places" :key="p.table" class="slot">
        <div class="brief place">
          <label
            ><span :class="{ sr: i > 0 }">Table</span>
            <select v-model.number="p.table">
              <option
                v-for="n in 12"
                :key="n"
                :value="n"
                :disabled="n !== p.table && places.some((x) => x.table === n)"
              >
                {{ n }}
              </option>
            </select></label
          >
          <label class="wide"
            ><span :class="{ sr: i > 0 }">Student</span>
            <select v-model="p.student">
              <option value="">who works</option>
              <option v-for="s in students" :key="s.id" :value="s.id" :disabled="taken(s.id, p)">
                {{ s.name }}
              </option>
            </select></label
          >
          <label class="wide"
            ><span :class="{ sr: i > 0 }">On the table</span>
            <select v-model="p.partner">
              <option value="">nobody named</option>
              <option
                v-for="s in students"
                :key="s.id"
                :value="s.id"
                :disabled="s.id === p.student || taken(s.id, p)"
              >
                {{ s.name }}
              </option>
            </select></label
          >
          <label class="wide"
            ><span :class="{ sr: i > 0 }">Watches</span>
            <select v-model="p.observer">
              <option :value="undefined">nobody</option>
              <option
                v-for="s in students"
                :key="s.id"
                :value="s.id"
                :disabled="s.id === p.student || s.id === p.partner || taken(s.id, p)"
              >
                {{ s.name }}
              </option>
            </select></label
          >
          <button
            v-if="places.length > 1"
            class="push"
            type="button"
            :disabled="busy || !p.student || inTheWay(p)"
            @click="start([p])"
          >
            Start
          </button>
          <button
            v-if="places.length > 1"
            class="push"
            type="button"
            :aria-label="`Take table ${p.table} away`"
            @click="places = places.filter((x) => x !== p)"
          >
            ×
          </button>
          <button v-else class="push main" type="submit" :disabled="busy || !ready.length">Start</button>
        </div>
        <BeforeHands
          v-if="p.student && steps.length"
          :model-value="p"
          :setting="setting"
          :name="lying(p)"
          :zones="zones"
          @update:model-value="places[i] = $event"
        />
      </div>
      <button v-if="places.length > 1" class="push main all" type="submit" :disabled="busy || !ready.length">
        Start {{ ready.length }} together
      </button>
      <p v-if="named.length > ready.length" class="soft">
        {{ named.length - ready.length }} of {{ named.length }} wait for an answer above.
      </p>
      <Failed :of="failed" />
      <p v-if="sequences?.length === 0" class="soft">
        There is no sequence to grade yet; <router-link to="/plan">plan one first</router-link>.
      </p>
      <p v-else-if="people && students.length === 0" class="soft">
        There is no student in this term yet; the lead adds them under School.
      </p>
    </form>
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
.brief {
  display: flex;
  gap: 14px;
  align-items: flex-end;
  flex-wrap: wrap;
}
label {
  display: flex;
  flex-direction: column;
  gap: 4px;
  font-size: 14px;
  font-weight: 600;
}
select {
  min-height: 48px;
  border: 1.5px solid var(--ink);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 16px var(--text);
  padding: 0 12px;
  max-width: 250px;
}
.set {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
summary {
  min-height: var(--target);
  line-height: var(--target);
  cursor: pointer;
  font-weight: 600;
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.find {
  max-width: 420px;
}
.slot {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.all {
  align-self: flex-start;
}
.place .wide {
  flex: 1 1 200px;
}
.place .wide select {
  width: 100%;
  max-width: none;
}
.brief > label select {
  max-width: 190px;
}
.brief > label:first-child select {
  max-width: 250px;
}
.brief input {
  min-height: 48px;
  width: 100px;
  border: 1.5px solid var(--ink);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 16px var(--text);
  padding: 0 12px;
}
.brief .push {
  min-height: 48px;
  min-width: 48px;
}
.bad {
  color: var(--stop);
  font-weight: 650;
}
</style>
<style scoped src="./lines.css"></style>
