<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { FINGERS, hue, type Criterion } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import Strip from '@/parts/Strip.vue'
import { stepsOf, stripOf } from '@/parts/strip'
import { capital, day, mmss, points } from '@/parts/words'
import { eventWords } from './eventWords'
import { observed } from './observed'

const props = defineProps<{ id: string }>()
const session = useSession()
const {
  data: view,
  problem,
  loading,
  again,
} = useAsked(() => ask(api.GET('/api/practicals/{id}', { params: { path: { id: props.id } } })))
const opened = ref<Criterion>('pressure')
const moment = ref<number>()
const picked = ref<string>()
/** What the log says around the playhead. */
const here = computed(() => {
  const at = moment.value
  if (at === undefined || !view.value) return []
  return view.value.events
    .filter((e) => Math.abs(e.atMs / 1000 - at) <= 4)
    .map((e) => eventWords(e, stepName))
})
const openEvents = ref<string>()
const failed = ref<Problem>()
const busy = ref(false)
const editing = ref(false)

const steps = computed(() => (view.value ? stepsOf(view.value.sequence) : []))
const stepName = (id: string) => steps.value.find((s) => s.id === id)?.name ?? id
const events = computed(() => new Map(view.value?.events.map((e) => [e.id, e]) ?? []))
const criteria = computed(() => view.value?.scores?.criteria ?? [])
const criterion = computed(() => criteria.value.find((c) => c.criterion === opened.value))
const allFindings = computed(() => criteria.value.flatMap((c) => c.findings))
const critical = computed(() => allFindings.value.filter((f) => f.severity === 'critical'))
const moved = computed(
  () => new Set(allFindings.value.filter((f) => f.rule === 'ORDER-RUN').flatMap((f) => f.evidence)),
)
/** Band of a step as the core has it; before the first step that of the opening. */
function bandOf(id: string | undefined) {
  const spans = view.value!.spans
  return (spans.find((s) => s.step === id) ?? spans[0]!).band
}
const strip = computed(() => {
  const v = view.value
  if (!v) return undefined
  const total = Math.max(v.spans.at(-1)?.end ?? 1, v.run.end / 1000)
  const model = stripOf(
    v.sequence,
    v.spans,
    total,
    () => false,
    (t) => session.pointedTools.has(t),
  )
  model.seen = observed(v.sequence, v.events, v.run, moved.value, bandOf)
  return model
})
const awardedValue = (c: Criterion) => view.value?.award?.award.criteria?.[c]?.value
const lostFirst = (c: Schema['CriterionView']) =>
  [...c.parts].sort((a, b) => b.weight * (1 - (b.value ?? 1)) - a.weight * (1 - (a.value ?? 1)))

// ---- the award ------------------------------------------------------------------------------------------------------
const draft = reactive({
  values: {} as Partial<Record<Criterion, string>>,
  reasons: {} as Partial<Record<Criterion, string>>,
  verdict: {} as Record<string, 'confirm' | 'strike' | undefined>,
  why: {} as Record<string, string>,
  feedback: '',
  released: true,
})
watch(view, (v) => {
  const a = v?.award?.award
  if (!a) return
  draft.feedback = a.feedback
  draft.released = a.released
  a.confirmed.forEach((k) => (draft.verdict[k] = 'confirm'))
  a.struck.forEach((s) => {
    if (!s.key) return
    draft.verdict[s.key] = 'strike'
    draft.why[s.key] = s.reason ?? ''
  })
  for (const f of FINGERS) {
    const c = a.criteria?.[f.id]
    if (c?.value === undefined || c.value === null) continue
    draft.values[f.id] = String(c.value)
    draft.reasons[f.id] = c.reason ?? ''
  }
})
const open = computed(() => critical.value.filter((f) => !draft.verdict[f.key]).length)
const changing = computed(() => session.staff && (!view.value?.award || editing.value))

async function call(run: () => Promise<Schema['PracticalView']>) {
  busy.value = true
  failed.value = undefined
  try {
    view.value = await run()
    editing.value = false
  } catch (e) {
    failed.value = e as Problem
  } finally {
    busy.value = false
  }
}
const path = { path: { id: props.id } }
const rate = (value: number) =>
  call(() => ask(api.POST('/api/practicals/{id}/rating', { params: path, body: { value } })))
function award() {
  const changes: Record<string, Schema['Change']> = {}
  for (const f of FINGERS) {
    const text = draft.values[f.id]?.trim()
    if (text) changes[f.id] = { value: Number(text), reason: draft.reasons[f.id] }
  }
  return call(() =>
    ask(
      api.PUT('/api/practicals/{id}/award', {
        params: path,
        body: {
          from: view.value?.award?.revision ?? 0,
          award: {
            criteria: changes,
            struck: critical.value
              .filter((f) => draft.verdict[f.key] === 'strike')
              .map((f) => ({ key: f.key, reason: draft.why[f.key] })),
            confirmed: critical.value.filter((f) => draft.verdict[f.key] === 'confirm').map((f) => f.key),
            feedback: draft.feedback,
            released: draft.released,
          },
        },
      }),
    ),
  )
}
function pickEvent(id: string) {
  const e = events.value.get(id)
  if (e) moment.value = e.atMs / 1000
}
function openLines(key: string, ids: readonly string[]) {
  openEvents.value = openEvents.value === key ? undefined : key
  if (ids[0]) pickEvent(ids[0])
}
const linesOf = (ids: readonly string[]) =>
  ids.map((id) => events.value.get(id)).filter((e) => e !== undefined)
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !view" @again="again" />
    <template v-if="view && strip">
      <div class="top">
        <router-link :to="session.staff ? '/grade' : '/me'" class="push" aria-label="Back">←</router-link>
        <div>
          <h1>{{ view.student.name }}</h1>
          <span class="soft"
            >{{ view.sequence.name }} · {{ day(view.startedAt) }} · seen by {{ view.grader.name }}</span
          >
        </div>
        <span class="grow" />
        <span v-if="view.award" class="result" :class="view.award.outcome.result"
          >{{ capital(view.award.outcome.result) }} {{ points(view.award.outcome.mean) }}</span
        >
        <span v-else-if="!view.finished" class="soft">still at the table</span>
        <a v-if="session.staff" class="push" :href="`/api/practicals/${id}/file`" download>Save the record</a>
      </div>

      <section v-if="view.finished && !view.scores && session.staff" class="card rate">
        <h2>Your one judgement of the whole, before any score is shown</h2>
        <div class="scale" role="group" aria-label="Global rating">
          <button
            v-for="r in session.catalogue?.ratings"
            :key="r.value"
            class="push"
            :disabled="busy"
            @click="rate(r.value)"
          >
            <b>{{ r.value }}</b><small>{{ r.band }}</small>
          </button>
        </div>
        <p v-if="failed" role="alert" class="bad">{{ failed.detail }}</p>
      </section>

      <Strip
        :model="strip"
        :playhead="moment"
        :picked="picked"
        @event="pickEvent"
        @moment="moment = $event"
        @pick="picked = $event"
      />
      <p v-if="here.length" class="soft log" aria-live="polite">{{ here.join(' · ') }}</p>

      <template v-if="view.scores">
        <div class="five" role="tablist" aria-label="The five scores">
          <button
            v-for="c in criteria"
            :key="c.criterion"
            role="tab"
            class="card score"
            :aria-selected="opened === c.criterion"
            :class="{ on: opened === c.criterion }"
            :style="{ '--hue': hue(c.criterion) }"
            @click="opened = c.criterion"
          >
            <span class="name">{{ c.name }}</span>
            <span class="num"
              >{{ points(awardedValue(c.criterion) ?? c.score)
              }}<small v-if="awardedValue(c.criterion) != null">
                awarded, {{ points(c.score) }} computed</small
              ></span
            >
            <span class="soft"
              >{{ c.score == null ? 'not observed' : c.band }} · {{ c.observations }} seen{{
                c.thin ? ', thin' : ''
              }}<template v-if="c.low != null">
                · clean {{ points(c.low) }}–{{ points(c.high) }} %</template
              ></span
            >
          </button>
        </div>
        <div class="lower">
          <section v-if="criterion" class="card detail" :style="{ '--hue': hue(criterion.criterion) }">
            <h2>{{ criterion.name }}</h2>
            <p v-if="criterion.why" class="soft">Not observed: {{ criterion.why }}.</p>
            <div v-for="p in lostFirst(criterion)" :key="p.name" class="part">
              <button
                class="plain"
                :aria-expanded="openEvents === p.name"
                @click="openLines(p.name, p.events)"
              >
                <b>{{ p.name }}</b>
                <span class="val">{{
                  p.value == null
                    ? 'not observed'
                    : `${p.value < 0 ? '−' : ''}${Math.abs(Math.round(100 * p.value))} %`
                }}</span>
                <span class="soft"
                  >{{ p.explanation }}<template v-if="p.weight > 0"> · weight {{ p.weight }}</template></span
                >
              </button>
              <ul v-if="openEvents === p.name">
                <li v-for="e in linesOf(p.events)" :key="e.id">
                  <button class="ev" @click="pickEvent(e.id)">{{ eventWords(e, stepName) }}</button>
                </li>
                <li v-if="p.events.length === 0" class="soft">No event; it follows from the whole log.</li>
              </ul>
            </div>
            <article v-for="f in criterion.findings" :key="f.key" :class="f.severity">
              <button
                class="plain"
                :aria-expanded="openEvents === f.key"
                @click="openLines(f.key, f.evidence)"
              >
                <b>{{ capital(f.severity) }}</b> <span class="rule">{{ f.rule }}</span> {{ f.sentence }}
                <span class="soft">{{ f.remedy }}</span>
              </button>
              <ul v-if="openEvents === f.key">
                <li v-for="e in linesOf(f.evidence)" :key="e.id">
                  <button class="ev" @click="pickEvent(e.id)">{{ eventWords(e, stepName) }}</button>
                </li>
              </ul>
            </article>
            <p v-if="criterion.findings.length === 0" class="soft">No finding.</p>
          </section>
          <section class="card award">
            <template v-if="changing">
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
              <v-textarea
                v-model="draft.feedback"
                label="Words for the student"
                rows="2"
                auto-grow
                hide-details
              />
              <v-switch v-model="draft.released" label="Release to the student" hide-details />
              <div v-if="failed" role="alert" class="bad">
                <p>{{ failed.detail }}</p>
                <p v-for="x in failed.faults.slice(1)" :key="x.field">{{ x.field }} {{ x.reason }}</p>
              </div>
              <p v-if="open" class="soft">
                {{ open }} critical finding{{ open > 1 ? 's' : '' }} to confirm or strike first.
              </p>
              <button class="push main" :disabled="busy || open > 0" @click="award">Award</button>
            </template>
            <template v-else-if="view.award">
              <h2>Awarded</h2>
              <p>
                {{ capital(view.award.outcome.result) }}, mean {{ points(view.award.outcome.mean) }} ({{
                  view.award.outcome.band
                }}), by {{ view.award.by }} on {{ day(view.award.at) }}.
              </p>
              <ul>
                <li v-for="r in view.award.outcome.reasons" :key="r">{{ r }}</li>
              </ul>
              <template v-for="f in FINGERS" :key="f.id">
                <p v-if="awardedValue(f.id) != null">
                  {{ f.name }}: {{ view.award.award.criteria[f.id]?.reason }}
                </p>
              </template>
              <p v-if="view.award.award.feedback" class="words">“{{ view.award.award.feedback }}”</p>
              <p class="soft">
                {{
                  view.award.award.released ? 'The student sees this.' : 'Not released to the student yet.'
                }}
              </p>
              <button v-if="session.staff" class="push" @click="editing = true">Change the award</button>
            </template>
            <p v-if="moment !== undefined" class="soft">Strip at {{ mmss(moment) }}</p>
          </section>
        </div>
        <p class="law">{{ session.catalogue?.law }}</p>
      </template>
    </template>
  </div>
</template>

<style scoped>
.rate {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.scale {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.scale .push {
  flex-direction: column;
  gap: 0;
  flex: 1;
  min-width: 92px;
  min-height: 60px;
}
.scale b {
  font-size: 20px;
}
.result {
  font: 700 24px var(--head);
}
.pass {
  color: var(--good);
}
.fail,
.bad {
  color: var(--stop);
  font-weight: 650;
}
.five {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 10px;
}
.score {
  text-align: left;
  font: inherit;
  color: inherit;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  gap: 2px;
  border: 2px solid var(--line);
  padding: 8px 14px;
}
.score.on {
  border-color: var(--hue);
}
.score .name {
  color: var(--hue);
  font: 700 15px var(--head);
}
.num {
  font: 700 30px/1 var(--text);
}
.num small {
  font: 500 13px var(--text);
}
.score .soft {
  font-size: 13px;
}
.lower {
  display: grid;
  grid-template-columns: 1fr 360px;
  gap: 14px;
  align-items: start;
}
.detail {
  border-top: 4px solid var(--hue);
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.plain {
  background: none;
  border: 0;
  font: inherit;
  color: inherit;
  text-align: left;
  cursor: pointer;
  min-height: var(--target);
  width: 100%;
}
.part .plain {
  display: grid;
  grid-template-columns: 190px 110px 1fr;
  gap: 8px;
  align-items: center;
}
.val {
  font-weight: 700;
}
ul {
  margin: 0 0 6px;
  padding-left: 22px;
}
.ev {
  background: none;
  border: 0;
  font: inherit;
  color: inherit;
  text-decoration: underline;
  cursor: pointer;
  min-height: var(--target);
  text-align: left;
}
article {
  border-left: 5px solid var(--hint);
  padding-left: 10px;
  font-size: 14.5px;
}
article.stop {
  border-color: var(--stop);
}
article.critical {
  border-color: var(--stop);
  background: var(--stop-wash);
}
article.warn {
  border-color: var(--warn);
}
.rule {
  font-size: 12px;
  font-weight: 600;
  color: var(--ink-soft);
}
.award {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.crit {
  border: 1.5px solid var(--stop);
  border-radius: 12px;
  padding: 8px 10px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.two {
  display: flex;
  gap: 8px;
}
.two .push {
  flex: 1;
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
.chg input {
  min-height: var(--target);
  border: 1.5px solid var(--ink);
  border-radius: 10px;
  padding: 0 10px;
  background: var(--paper);
  color: var(--ink);
  font: 600 15px var(--text);
}
.chg .why {
  width: 100%;
  margin-bottom: 8px;
}
.words {
  font-size: 17px;
}
</style>
