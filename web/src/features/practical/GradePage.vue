<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Problem } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import { day, points } from '@/parts/words'

const session = useSession()
const router = useRouter()
const term = computed(() => session.term?.id ?? '')
const path = computed(() => ({ path: { term: term.value, id: term.value } }))
const {
  data: lines,
  problem,
  loading,
  again,
} = useAsked(() => ask(api.GET('/api/terms/{term}/practicals', { params: path.value })))
const { data: people } = useAsked(() => ask(api.GET('/api/terms/{id}/people', { params: path.value })))
const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))

const brief = reactive({
  student: '',
  partner: '',
  sequence: '',
  sides: 'each' as 'each' | 'left' | 'right',
  tableNumber: 1,
})
const failed = ref<Problem>()
const busy = ref(false)
const students = computed(() => people.value?.filter((p) => p.role === 'student') ?? [])
const open = computed(() => lines.value?.filter((l) => !l.finished) ?? [])
const waiting = computed(() => lines.value?.filter((l) => l.finished && !l.result) ?? [])
const done = computed(() => lines.value?.filter((l) => l.result) ?? [])
watch(sequences, (s) => (brief.sequence ||= s?.[0]?.id ?? ''))

async function start() {
  busy.value = true
  failed.value = undefined
  try {
    const p = await ask(
      api.POST('/api/practicals', {
        body: {
          term: term.value,
          student: brief.student || undefined,
          partner: brief.partner || undefined,
          sequence: brief.sequence || undefined,
          sides: brief.sides,
          tableNumber: brief.tableNumber,
        },
      }),
    )
    await router.push(`/grade/${p.id}`)
  } catch (e) {
    failed.value = e as Problem
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Grade</h1>
      <span class="soft">{{ session.term?.cohort }}</span>
    </div>
    <form class="card brief" aria-label="New practical" @submit.prevent="start">
      <label
        >Student
        <select v-model="brief.student" required>
          <option value="" disabled>who works</option>
          <option v-for="s in students" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select></label
      >
      <label
        >On the table
        <select v-model="brief.partner">
          <option value="">nobody named</option>
          <option v-for="s in students.filter((x) => x.id !== brief.student)" :key="s.id" :value="s.id">
            {{ s.name }}
          </option>
        </select></label
      >
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
        >Table
        <select v-model.number="brief.tableNumber">
          <option v-for="n in 10" :key="n" :value="n">{{ n }}</option>
        </select></label
      >
      <button class="push main" type="submit" :disabled="busy || !brief.student">Start</button>
      <p v-if="failed" role="alert" class="bad">{{ failed.detail }}</p>
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
        <router-link v-for="l in open" :key="l.id" class="line" :to="`/grade/${l.id}`">
          <strong>{{ l.student }}</strong><span>{{ l.sequence }}</span
          ><span class="soft">table {{ l.tableNumber }}</span
          ><span class="soft">{{ day(l.startedAt) }}</span
          ><span class="go">go on</span>
        </router-link>
      </section>
      <section class="card">
        <h2>
          Waiting for review <span class="soft">{{ waiting.length }}</span>
        </h2>
        <p v-if="waiting.length === 0" class="soft">Nothing waits: everything finished has been awarded.</p>
        <router-link v-for="l in waiting" :key="l.id" class="line" :to="`/review/${l.id}`">
          <strong>{{ l.student }}</strong><span>{{ l.sequence }}</span
          ><span class="soft">{{ l.grader }}</span
          ><span class="soft">{{ day(l.startedAt) }}</span
          ><span class="go">review</span>
        </router-link>
      </section>
      <section class="card">
        <h2>
          Awarded <span class="soft">{{ done.length }}</span>
        </h2>
        <router-link v-for="l in done" :key="l.id" class="line" :to="`/review/${l.id}`">
          <strong>{{ l.student }}</strong><span>{{ l.sequence }}</span
          ><span class="soft">{{ l.grader }}</span
          ><span class="soft">{{ day(l.startedAt) }}</span
          ><span class="go" :class="l.result">{{ points(l.mean) }} · {{ l.result }}</span>
        </router-link>
      </section>
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
  max-width: 330px;
}
.brief .push {
  min-height: 48px;
  min-width: 110px;
}
.line {
  display: grid;
  grid-template-columns: 170px 1fr 130px 120px 130px;
  gap: 12px;
  align-items: center;
  min-height: 46px;
  text-decoration: none;
  border-bottom: 1px solid var(--line);
}
.go {
  font-weight: 650;
  text-align: right;
}
.pass {
  color: var(--good);
}
.fail,
.bad {
  color: var(--stop);
  font-weight: 650;
}
</style>
