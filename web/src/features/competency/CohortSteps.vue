<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useEarlier, type Page } from '@/api/usePages'
import { useSession } from '@/features/session/useSession'
import { hue } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import { day } from '@/parts/words'
import ChoiceField from '@/parts/ChoiceField.vue'

/** What the class misses, step by step; from here into the next demonstration. */
const props = defineProps<{ cohort: Schema['Cohort'] }>()
const session = useSession()
const {
  data: heat,
  problem,
  loading,
  again,
} = useAsked(() => ask(api.GET('/api/terms/{term}/steps', { params: { path: { term: props.cohort.term } } })))
watch(
  () => props.cohort,
  () => void again(),
)
const WRONG = [
  { id: 'missed', name: 'not done', hue: 'order' },
  { id: 'outOfOrder', name: 'out of order', hue: 'order' },
  { id: 'overCeiling', name: 'over the ceiling', hue: 'pressure' },
  { id: 'leftSilent', name: 'nothing said', hue: 'communication' },
] as const
type Wrong = (typeof WRONG)[number]['id']
const sequence = ref<string>()
const by = ref<Wrong | ''>('')
const sequences = computed(() => {
  const names = new Map(heat.value?.steps.map((s) => [s.sequence, s.sequenceName]))
  return [...names].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name))
})
const steps = computed(() => {
  const all = (heat.value?.steps ?? []).filter((s) => !sequence.value || s.sequence === sequence.value)
  const key = by.value
  if (key) return [...all].sort((a, b) => b[key] / b.asked - a[key] / a.asked)
  return sequence.value ? [...all].sort((a, b) => a.place - b.place) : all
})
const share = (s: Schema['StepHeat'], id: Wrong) => s[id] / s.asked
const first = shallowRef<Page<Schema['Wronged']>>()
const asked = shallowRef<Schema['StepHeat']>()
const opened = computed(() => asked.value && key(asked.value))
const {
  lines: wrong,
  more,
  earlier,
} = useEarlier(
  () => first.value,
  (before) => wrongs(asked.value!, before),
)
const { failed, during } = useCommand()
const key = (s: Schema['StepHeat']) => `${s.sequence}/${s.step}`
const path = (s: Schema['StepHeat']) => ({
  path: { term: props.cohort.term, sequence: s.sequence, step: s.step },
})
const wrongs = (s: Schema['StepHeat'], before?: string) =>
  ask(api.GET('/api/terms/{term}/steps/{sequence}/{step}', { params: { ...path(s), query: { before } } }))
async function open(s: Schema['StepHeat']) {
  first.value = undefined
  if (opened.value === key(s)) return void (asked.value = undefined)
  asked.value = s
  await during(async () => {
    const page = await wrongs(s)
    if (asked.value === s) first.value = page
  })
}
async function show(s: Schema['StepHeat']) {
  await during(async () => {
    if (s.shownInWeek == null)
      await ask(api.POST('/api/terms/{term}/steps/{sequence}/{step}/again', { params: path(s) }))
    else await ask(api.DELETE('/api/terms/{term}/steps/{sequence}/{step}/again', { params: path(s) }))
    await again()
  })
}
const whatWas = (w: Schema['Wronged']) =>
  WRONG.filter((x) => w[x.id])
    .map((x) => x.name)
    .join(', ')
</script>

<template>
  <Standing :problem="problem ?? failed" :loading="loading && !heat" @again="again" />
  <template v-if="heat">
    <div class="top second">
      <h2>What the class misses</h2>
      <span class="soft">{{ heat.practicals }} practicals, each counted where the step was asked</span>
      <span class="grow" />
      <ChoiceField
        v-model="sequence"
        class="field"
        label="Sequence"
        none="all, worst first"
        :options="sequences"
      />
    </div>
    <p v-if="heat.steps.length === 0" class="card soft">
      Nothing yet: steps stand here once a practical is awarded.
    </p>
    <div v-else class="card">
      <table class="lines heat">
        <thead>
          <tr>
            <th scope="col">Step</th>
            <th scope="col" class="n">asked</th>
            <th
              v-for="w in WRONG"
              :key="w.id"
              scope="col"
              :aria-sort="by === w.id ? 'descending' : undefined"
            >
              <button class="sort" :aria-pressed="by === w.id" @click="by = by === w.id ? '' : w.id">
                {{ w.name }}{{ by === w.id ? ' ↓' : '' }}
              </button>
            </th>
            <th scope="col"><span class="sr">Next demonstration</span></th>
          </tr>
        </thead>
        <tbody v-for="s in steps" :key="key(s)">
          <tr>
            <th scope="row">
              <button class="step" :aria-expanded="opened === key(s)" @click="open(s)">
                <strong>{{ s.name }}</strong><span v-if="!sequence">{{ s.sequenceName }}</span>
              </button>
            </th>
            <td class="n">{{ s.asked }}</td>
            <td v-for="w in WRONG" :key="w.id">
              <span
                class="cell"
                :style="{
                  background: `color-mix(in srgb, ${hue(w.hue)} ${Math.round(42 * share(s, w.id))}%, var(--paper))`,
                }"
                >{{ s[w.id] === 0 ? '–' : `${s[w.id]} · ${Math.round(100 * share(s, w.id))} %` }}</span
              >
            </td>
            <td class="do">
              <button
                v-if="session.person?.role !== 'grader'"
                class="push"
                :class="{ main: s.shownInWeek != null }"
                @click="show(s)"
              >
                {{ s.shownInWeek == null ? 'Show it again' : `Shown in week ${s.shownInWeek} · take out` }}
              </button>
            </td>
          </tr>
          <tr v-if="opened === key(s)">
            <td :colspan="WRONG.length + 3">
              <p v-if="!wrong" class="soft">Reading…</p>
              <p v-else-if="wrong.length === 0" class="soft">It went well every time.</p>
              <div v-else class="runs">
                <router-link v-for="w in wrong" :key="w.id" class="push" :to="`/review/${w.id}`"
                  >{{ w.name }}, {{ day(w.startedAt) }}: {{ whatWas(w) }}</router-link
                >
                <button v-if="more" class="push earlier" @click="earlier">Earlier</button>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </template>
</template>

<style scoped>
.second {
  min-height: 0;
}
.heat th[scope='row'] {
  padding: 0;
}
.sort,
.step {
  min-height: var(--target);
  background: none;
  border: 0;
  padding: 2px 6px;
  font: 600 13.5px var(--text);
  color: inherit;
  cursor: pointer;
  text-align: left;
}
.step {
  display: flex;
  flex-direction: column;
  justify-content: center;
  color: var(--ink);
  font-size: 15px;
  line-height: 1.2;
  width: 100%;
}
.step span {
  font-size: 13px;
  font-weight: 400;
  color: var(--ink-soft);
}
.n {
  text-align: right !important;
}
.cell {
  display: block;
  border-radius: 8px;
  padding: 8px 10px;
  min-width: 96px;
  font-weight: 600;
}
.do {
  text-align: right;
}
.runs {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 6px 0;
}
@media (max-width: 899px) {
  .card {
    position: relative;
    overflow-x: auto;
  }
}
</style>
