<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { Problem, Schema } from '@/api/client'
import { FINGERS, hue, type Criterion } from '@/parts/criteria'
import { points } from '@/parts/words'
import AwardWords from './AwardWords.vue'

/** What the grader makes of the computed scores: critical findings, changed marks, words at their moments, goals, release. */
const props = defineProps<{
  view: Schema['PracticalView']
  opened: Criterion
  moment?: number
  busy: boolean
  failed?: Problem
}>()
const emit = defineEmits<{ award: [award: Schema['Award']]; moment: [seconds: number] }>()
const before = props.view.award?.award
const criteria = computed(() => props.view.scores?.criteria ?? [])
const critical = computed(() =>
  criteria.value.flatMap((c) => c.findings).filter((f) => f.severity === 'critical'),
)
const draft = reactive({
  values: {} as Partial<Record<Criterion, string>>,
  reasons: {} as Partial<Record<Criterion, string>>,
  verdict: {} as Record<string, 'confirm' | 'strike' | undefined>,
  why: {} as Record<string, string>,
  feedback: before?.feedback ?? '',
  remarks: (before?.remarks ?? []).map((r) => ({ atMs: r.atMs ?? undefined, text: r.text ?? '' })),
  goals: [...(before?.goals ?? [])],
})
before?.confirmed.forEach((k) => (draft.verdict[k] = 'confirm'))
before?.struck.forEach((s) => {
  if (!s.key) return
  draft.verdict[s.key] = 'strike'
  draft.why[s.key] = s.reason ?? ''
})
for (const f of FINGERS) {
  const c = before?.criteria?.[f.id]
  if (c?.value === undefined || c.value === null) continue
  draft.values[f.id] = String(c.value)
  draft.reasons[f.id] = c.reason ?? ''
}
const open = computed(() => critical.value.filter((f) => !draft.verdict[f.key]).length)

const sayings = ref<InstanceType<typeof AwardWords>>()
defineExpose({ remark: (text: string, atMs?: number) => sayings.value?.remark(text, atMs) })

const proposed = computed(() => props.view.goals.filter((g) => !draft.goals.includes(g.sentence)))
const goal = ref('')
function addGoal(text: string) {
  if (text.trim()) draft.goals = [...draft.goals, text.trim()]
  goal.value = ''
}
function award(released: boolean) {
  const criteria: Record<string, Schema['Change']> = {}
  for (const f of FINGERS) {
    const text = draft.values[f.id]?.trim()
    if (text) criteria[f.id] = { value: Number(text), reason: draft.reasons[f.id] }
  }
  emit('award', {
    criteria,
    struck: critical.value
      .filter((f) => draft.verdict[f.key] === 'strike')
      .map((f) => ({ key: f.key, reason: draft.why[f.key] })),
    confirmed: critical.value.filter((f) => draft.verdict[f.key] === 'confirm').map((f) => f.key),
    feedback: draft.feedback,
    released,
    remarks: draft.remarks,
    goals: draft.goals,
  })
}
</script>

<template>
  <h2>Award</h2>
  <p class="soft">Your rating of the whole: {{ points(view.rating) }}</p>
  <div v-for="f in critical" :key="f.key" class="crit">
    <p><b>Critical</b> {{ f.sentence }}</p>
    <div class="two">
      <button
        class="push"
        :class="{ main: draft.verdict[f.key] === 'confirm' }"
        :aria-pressed="draft.verdict[f.key] === 'confirm'"
        @click="draft.verdict[f.key] = 'confirm'"
      >
        It stands
      </button>
      <button
        class="push"
        :class="{ main: draft.verdict[f.key] === 'strike' }"
        :aria-pressed="draft.verdict[f.key] === 'strike'"
        @click="draft.verdict[f.key] = 'strike'"
      >
        Strike it
      </button>
    </div>
    <v-text-field
      v-if="draft.verdict[f.key] === 'strike'"
      v-model="draft.why[f.key]"
      label="Why it does not stand"
      hide-details
    />
  </div>
  <details>
    <summary>Change a score, with a reason</summary>
    <div v-for="f in FINGERS" :key="f.id" class="chg">
      <label :style="{ color: hue(f.id) }">
        {{ f.name }}
        <input
          v-model="draft.values[f.id]"
          inputmode="numeric"
          :placeholder="points(criteria.find((c) => c.criterion === f.id)?.score)"
          :aria-label="`${f.name}, awarded`"
        />
      </label>
      <input
        v-if="draft.values[f.id]"
        v-model="draft.reasons[f.id]"
        class="why"
        placeholder="Reason"
        :aria-label="`${f.name}, reason`"
      />
    </div>
  </details>
  <AwardWords
    ref="sayings"
    v-model="draft.remarks"
    :criterion="criteria.find((c) => c.criterion === opened)"
    :opened="opened"
    :moment="moment"
    @moment="emit('moment', $event)"
  />
  <section aria-label="Next time">
    <h3>Next time</h3>
    <div v-if="proposed.length" class="chips">
      <button v-for="g in proposed" :key="g.rule" class="push chip" @click="addGoal(g.sentence)">
        + {{ g.sentence }}<small v-if="g.times > 1"> ({{ g.times }}×)</small>
      </button>
    </div>
    <ul v-if="draft.goals.length" class="said">
      <li v-for="(g, i) in draft.goals" :key="g">
        <span>{{ g }}</span>
        <button
          class="push"
          :aria-label="`Take the goal “${g}” out`"
          @click="draft.goals = draft.goals.filter((_, j) => j !== i)"
        >
          ×
        </button>
      </li>
    </ul>
    <div class="two">
      <input
        v-model="goal"
        maxlength="400"
        placeholder="Another goal"
        aria-label="Another goal"
        @keydown.enter="addGoal(goal)"
      />
      <button class="push" :disabled="!goal.trim()" @click="addGoal(goal)">Add</button>
    </div>
  </section>
  <v-textarea v-model="draft.feedback" label="Words for the student" rows="2" auto-grow hide-details />
  <div v-if="failed" role="alert" class="bad">
    <p>{{ failed.detail }}</p>
    <p v-for="x in failed.faults.slice(1)" :key="x.field">{{ x.field }} {{ x.reason }}</p>
  </div>
  <p v-if="open" class="soft">
    {{ open }} critical finding{{ open > 1 ? 's' : '' }} to confirm or strike first.
  </p>
  <button class="push main" :disabled="busy || open > 0" @click="award(true)">Award and release</button>
  <button class="push" :disabled="busy || open > 0" @click="award(false)">
    Award, for the lead to release
  </button>
</template>

<style scoped src="./award.css"></style>
<style scoped src="./awardForm.css"></style>
<style scoped>
.crit {
  border: 1.5px solid var(--stop);
  border-radius: 12px;
  padding: 8px 10px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
summary {
  min-height: var(--target);
  line-height: var(--target);
  cursor: pointer;
  font-weight: 600;
}
.chg label {
  display: grid;
  grid-template-columns: 1fr 90px;
  align-items: center;
  font-weight: 650;
  margin-bottom: 6px;
}
.chg .why {
  width: 100%;
  margin-bottom: 8px;
}
.bad {
  color: var(--stop);
  font-weight: 650;
}
</style>
