<script setup lang="ts">
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { day } from '@/parts/words'
import PracticeCompared from './PracticeCompared.vue'

/** Practice runs, how graders marked them, and whose duty is open; for the lead. */
const { data, problem, loading, again } = useAsked(() => ask(api.GET('/api/practice-runs')))
const { busy, failed, during } = useCommand()
const withdraw = (id: string) =>
  during(async () => {
    data.value = await ask(api.DELETE('/api/practice-runs/{id}', { params: { path: { id } } }))
  })
const decide = (account: string, open: boolean) =>
  during(async () => {
    data.value = await ask(
      api.PUT('/api/graders/{account}/duty', { params: { path: { account } }, body: { open } }),
    )
  })
</script>

<template>
  <section class="card" aria-label="Graders’ practice">
    <h2>Graders’ practice</h2>
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <template v-if="data">
      <p v-if="!data.runs.length" class="soft">
        No practice run yet: open an awarded practical and choose it there. From then on a grader who never
        graded marks it first, and you open their duty.
      </p>
      <ul v-else aria-label="Practice runs">
        <li v-for="r in data.runs" :key="r.id">
          <router-link :to="`/practice/${r.id}`">{{ r.title }}</router-link>
          <span class="soft">{{ r.sequence }}</span>
          <button class="push" :disabled="busy" @click="withdraw(r.id)">Take it back</button>
        </li>
      </ul>
      <Failed :of="failed" />
      <ul aria-label="Graders">
        <li v-for="g in data.graders" :key="g.id">
          <span
            ><strong>{{ g.name }}</strong>
            <span class="soft"
              >{{ g.open ? 'duty open' : 'duty shut'
              }}{{
                g.decidedAt ? `, by ${g.decidedBy} on ${day(g.decidedAt)}` : g.graded ? ', has graded' : ''
              }}</span
            ></span
          >
          <button class="push" :class="{ main: !g.open }" :disabled="busy" @click="decide(g.id, !g.open)">
            {{ g.open ? 'Shut the duty' : 'Open the duty' }}
          </button>
          <details v-for="m in g.marked" :key="m.run" class="marked">
            <summary>{{ m.title }}: {{ m.compared.sentence }}</summary>
            <PracticeCompared :of="m.compared" />
          </details>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 12px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  min-height: 52px;
  border-top: 1px solid var(--line);
}
li > :first-child {
  flex: 1 1 220px;
}
strong + .soft {
  margin-left: 10px;
}
li > a,
summary {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
  cursor: pointer;
}
.marked {
  flex: 1 1 100%;
  max-width: 620px;
}
</style>
