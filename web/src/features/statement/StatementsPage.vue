<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import { dateOf, dayOfYear } from '@/parts/when'
import { counted } from '@/parts/words'

/** The papers of a whole cohort: issued and signed one after the other, and handed out as one file. */
type Line = Schema['StatementLine']
const session = useSession()
const term = computed(() => session.term!.id)
const { data, problem, loading, again } = useAsked(async () => {
  if (!session.term) return undefined
  const path = { params: { path: { term: term.value } } }
  const [people, papers] = await Promise.all([
    ask(api.GET('/api/terms/{term}/people', path)),
    ask(api.GET('/api/terms/{term}/statements', path)),
  ])
  return { students: people.filter((p) => p.role === 'student'), papers }
})
const KINDS = [
  { id: 'results', name: 'Statements of results' },
  { id: 'hours', name: 'Certificates of hours' },
] as const
const kind = ref<'results' | 'hours'>('results')
/** Each student with their newest paper of the kind. */
const rows = computed(() =>
  (data.value?.students ?? []).map((s) => ({
    ...s,
    paper: data.value!.papers.find((p) => p.student === s.id && p.kind === kind.value),
    left: left.value[s.id],
  })),
)
const toIssue = computed(() => rows.value.filter((r) => !r.paper || r.paper.outdated))
const toSign = computed(() =>
  rows.value.flatMap((r) => (r.paper && !r.paper.outdated && !r.paper.signed.length ? [r.paper] : [])),
)
const holding = computed(() => rows.value.filter((r) => r.paper && !r.paper.outdated).length)

const done = ref(0)
const of = ref(0)
const stopped = ref(false)
/** Why somebody's was left out. */
const left = ref<Record<string, string>>({})
/** One after the other, with what was done so far shown; one that cannot be does not hold up the others. */
async function each<T>(all: readonly T[], student: (of: T) => string, call: (of: T) => Promise<Line>) {
  done.value = 0
  of.value = all.length
  stopped.value = false
  left.value = {}
  const papers = new Map<string, Line>()
  for (const one of all) {
    if (stopped.value) break
    try {
      const paper = await call(one)
      papers.set(paper.id, paper)
    } catch (e) {
      left.value = { ...left.value, [student(one)]: (e as Problem).detail }
    }
    done.value++
  }
  if (data.value) {
    const rest = data.value.papers.filter((p) => !papers.has(p.id))
    data.value = { ...data.value, papers: [...[...papers.values()].reverse(), ...rest] }
  }
  of.value = 0
}
const issue = () =>
  each(
    toIssue.value,
    (s) => s.id,
    (s) =>
      ask(
        api.POST('/api/terms/{term}/statements/{student}', {
          params: { path: { term: term.value, student: s.id }, query: { kind: kind.value } },
        }),
      ),
  )
const sign = () =>
  each(
    toSign.value,
    (p) => p.student,
    (p) => ask(api.POST('/api/statements/{id}/signature', { params: { path: { id: p.id } } })),
  )
const lefts = computed(() => Object.keys(left.value).length)
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Papers of the cohort</h1>
      <span class="soft">{{ session.term?.cohort }}</span>
    </div>
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <template v-if="data">
      <section class="card" aria-label="What is handed out">
        <div class="do">
          <button
            v-for="k in KINDS"
            :key="k.id"
            class="push"
            :class="{ main: kind === k.id }"
            :aria-pressed="kind === k.id"
            :disabled="of > 0"
            @click="((kind = k.id), (left = {}))"
          >
            {{ k.name }}
          </button>
        </div>
        <div v-if="of" class="going">
          <progress :value="done" :max="of" aria-label="Done so far" />
          <span role="status">{{ done }} of {{ of }}</span>
          <button class="push" @click="stopped = true">Stop here</button>
        </div>
        <div v-else class="do">
          <button class="push" :class="{ main: toIssue.length }" :disabled="!toIssue.length" @click="issue">
            {{ toIssue.length ? `Issue ${toIssue.length}` : 'All are issued' }}
          </button>
          <button class="push" :disabled="!toSign.length" @click="sign">
            {{ toSign.length ? `Sign ${toSign.length}` : 'None waits for a signature' }}
          </button>
          <a v-if="holding" class="push" :href="`/api/terms/${term}/statements/files?kind=${kind}`" download
            >Take {{ counted(holding, 'paper') }} as one file</a
          >
          <router-link class="push" to="/sign">Initials</router-link>
        </div>
        <p v-if="lefts && !of" role="status">
          {{ counted(lefts, 'student') }} left out; why stands beside the name.
        </p>
      </section>
      <section class="card" aria-label="Students">
        <p v-if="!rows.length" class="soft">Nobody is in this term yet.</p>
        <table v-else class="lines">
          <thead>
            <tr>
              <th>Student</th>
              <th>Newest</th>
              <th>Signed</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows" :key="r.id">
              <td>
                <router-link :to="`/track/${r.id}`">{{ r.name }}</router-link>
              </td>
              <td>
                <span v-if="r.left" class="bad">{{ r.left }}</span>
                <template v-else-if="r.paper">
                  <a :href="`/api/statements/${r.paper.id}/file`" target="_blank"
                    >{{ dayOfYear(dateOf(r.paper.issuedAt)) }}, PDF</a
                  >
                  <p v-if="r.paper.outdated" class="bad">{{ r.paper.changes.join(' ') }}</p>
                </template>
                <span v-else class="soft">none yet</span>
              </td>
              <td>{{ r.paper?.signed.map((g) => g.name).join(', ') || '–' }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>

<style scoped>
.do,
.going {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-bottom: 10px;
}
progress {
  flex: 1 1 220px;
  height: 14px;
  accent-color: var(--good);
}
.bad {
  margin: 0;
  color: var(--stop);
}
td a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
}
</style>
