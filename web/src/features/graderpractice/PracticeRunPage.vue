<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { eventWords } from '@/features/practical/eventWords'
import ReplayBar from '@/features/practical/ReplayBar.vue'
import { stripOfView } from '@/features/practical/tableModel'
import { useSession } from '@/features/session/useSession'
import { FINGERS, hue, type Criterion } from '@/parts/criteria'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import Strip from '@/parts/Strip.vue'
import { stepsOf } from '@/parts/strip'
import PracticeCompared from './PracticeCompared.vue'

/** A recorded run as it was seen; who looks gives the five marks, and then sees the school's beside them. */
const props = defineProps<{ id: string }>()
const session = useSession()
const params = computed(() => ({ path: { id: props.id } }))
const { data, problem, loading, again } = useAsked(() =>
  ask(api.GET('/api/practice-runs/{id}', { params: params.value })),
)
const { busy, failed, during } = useCommand()
const moment = ref<number>()
const given = reactive<Partial<Record<Criterion, string>>>({})
const words = ref('')
const strip = computed(() => {
  const r = data.value?.recorded
  return r && stripOfView(r, Math.max(r.spans.at(-1)?.end ?? 1, r.run.end / 1000), session.pointedTools)
})
const name = (id: string) =>
  data.value ? (stepsOf(data.value.recorded.sequence).find((s) => s.id === id)?.name ?? id) : id
/** What was seen, in order; while it is played what was seen so far, the newest first. */
const seen = computed(() => {
  const r = data.value?.recorded
  const until = moment.value === undefined ? (r?.run.end ?? 0) : moment.value * 1000
  const all = (r?.events ?? [])
    .filter((e) => e.kind !== 'attend' && e.atMs <= Math.min(until, r!.run.end))
    .sort((a, b) => a.atMs - b.atMs)
    .map((e) => ({ id: e.id, at: e.atMs / 1000, words: eventWords(e, name) }))
  return moment.value === undefined ? all : all.reverse()
})
const asked = computed(() => FINGERS.filter((f) => data.value?.asked.includes(f.id)))
const mark = () =>
  during(async () => {
    const marks = Object.fromEntries(
      asked.value.flatMap((f) =>
        given[f.id]?.trim() ? [[f.id, Number(given[f.id]!.replace(',', '.'))]] : [],
      ),
    )
    data.value = await ask(
      api.POST('/api/practice-runs/{id}/marks', {
        params: params.value,
        body: { marks, words: words.value },
      }),
    )
  })
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <template v-if="data && strip">
      <div class="top">
        <router-link class="push" to="/grade" aria-label="Back">←</router-link>
        <h1>{{ data.title }}</h1>
        <span class="soft">Practice run · {{ data.recorded.sequence.name }}</span>
      </div>
      <div class="work">
        <div class="course">
          <Strip :model="strip" :playhead="moment" @moment="moment = $event" />
          <ReplayBar v-model="moment" :seconds="data.recorded.run.end / 1000" />
          <section class="card" aria-label="What was seen">
            <h2>What was seen</h2>
            <p v-if="data.words" class="words">{{ data.words }}</p>
            <ol class="seen" aria-live="polite">
              <li v-for="e in seen" :key="e.id">
                <button class="at" @click="moment = e.at">{{ e.words }}</button>
              </li>
            </ol>
          </section>
        </div>
        <section class="card" aria-label="Your marks">
          <template v-if="data.compared">
            <h2>Beside the school’s marks</h2>
            <PracticeCompared :of="data.compared" />
            <p class="soft">The lead sees this, and opens your duty to grade.</p>
          </template>
          <form v-else @submit.prevent="mark">
            <h2>Your marks</h2>
            <p class="soft">
              0 to 100 each: not yet below 40, emerging below 60, competent below 80, fluent above. They are
              given once; then you see the school’s.
            </p>
            <label v-for="f in asked" :key="f.id" :style="{ color: hue(f.id) }"
              >{{ f.long }} <input v-model="given[f.id]" inputmode="decimal" required
            /></label>
            <label class="why">What you saw <textarea v-model="words" rows="3" maxlength="4000" /></label>
            <Failed :of="failed" />
            <button class="push main" :disabled="busy">Give these marks</button>
          </form>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.work {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 14px;
  align-items: start;
}
@media (max-width: 1000px) {
  .work {
    grid-template-columns: minmax(0, 1fr);
  }
}
.course > * + * {
  margin-top: 10px;
}
.words {
  font-size: 17px;
}
.seen {
  list-style: none;
  padding: 0;
  margin: 0;
  max-height: 340px;
  overflow-y: auto;
}
.seen li {
  display: flex;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--line);
}
.at {
  width: 100%;
  min-height: var(--target);
  background: none;
  border: 0;
  color: inherit;
  font: inherit;
  font-variant-numeric: tabular-nums;
  text-align: left;
  cursor: pointer;
}
form,
form label {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
form label {
  font-weight: 600;
}
form .why {
  color: inherit;
}
form label:not(.why) {
  flex-direction: row;
  align-items: center;
  justify-content: space-between;
}
form input {
  width: 96px;
}
</style>
