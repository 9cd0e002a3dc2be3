<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import { hue, type Criterion } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import Strip from '@/parts/Strip.vue'
import { stepsOf } from '@/parts/strip'
import { capital, day, points } from '@/parts/words'
import AwardForm from './AwardForm.vue'
import AwardShown from './AwardShown.vue'
import { eventWords } from './eventWords'
import type { Tap } from './queue'
import ReplayBar from './ReplayBar.vue'
import ReviewQuestions from './ReviewQuestions.vue'
import StepOfPlan from './StepOfPlan.vue'
import { stripOfView } from './tableModel'
import TapLog from './TapLog.vue'
import { useTaps } from './useTaps'
import VoidForm from './VoidForm.vue'

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
const { busy, failed, during } = useCommand()
const editing = ref(false)

const steps = computed(() => (view.value ? stepsOf(view.value.sequence) : []))
const stepName = (id: string) => steps.value.find((s) => s.id === id)?.name ?? id
const events = computed(() => new Map(view.value?.events.map((e) => [e.id, e]) ?? []))
/** Who awards anew does so on what today's rules and taps say, which may be something else than what was awarded. */
const judged = computed(
  () =>
    view.value &&
    (editing.value && view.value.anew ? { ...view.value, scores: view.value.anew } : view.value),
)
const route = useRoute()
/** The step that is looked at: what was picked, what was done at that moment, what somebody came for, what a finding is about. */
const looked = computed(() => {
  const v = view.value
  if (!v) return undefined
  const at = (moment.value ?? -1) * 1000
  const done = v.run.done.find((d) => d.start <= at && at <= d.end)
  const about = route.query.step ?? criterion.value?.findings.find((f) => f.where.step)?.where.step
  const [step, side] = picked.value?.split('/') ?? (done ? [done.step, done.side] : [about as string])
  const known = steps.value.find((s) => s.id === step) ?? steps.value[0]
  return known && { step: known.id, name: known.name, side: known.id === step ? side : undefined }
})
const criteria = computed(() => judged.value?.scores?.criteria ?? [])
const criterion = computed(() => criteria.value.find((c) => c.criterion === opened.value))
const allFindings = computed(() => criteria.value.flatMap((c) => c.findings))
const moved = computed(
  () => new Set(allFindings.value.filter((f) => f.rule === 'ORDER-RUN').flatMap((f) => f.evidence)),
)
const strip = computed(
  () =>
    view.value &&
    stripOfView(
      view.value,
      Math.max(view.value.spans.at(-1)?.end ?? 1, view.value.run.end / 1000),
      session.pointedTools,
      moved.value,
    ),
)
const awardedValue = (c: Criterion) => view.value?.award?.award.criteria?.[c]?.value
const lostFirst = (c: Schema['CriterionView']) =>
  [...c.parts].sort((a, b) => b.weight * (1 - (b.value ?? 1)) - a.weight * (1 - (a.value ?? 1)))

const changing = computed(() => session.staff && (!view.value?.award || editing.value))
const form = ref<InstanceType<typeof AwardForm>>()

/** A state that rests on too little, or on an answer that is missing, says so in its place. */
const stateOf = (c: Schema['CriterionView']) =>
  c.score != null
    ? (c.band ?? '')
    : c.questions.length
      ? 'waits for review'
      : c.applicable
        ? 'not observed'
        : 'not asked'

async function call(run: () => Promise<Schema['PracticalView']>) {
  await during(async () => {
    view.value = await run()
    editing.value = false
  })
}
const path = { path: { id: props.id } }
const rate = (value: number) =>
  call(() => ask(api.POST('/api/practicals/{id}/rating', { params: path, body: { value } })))
const award = (award: Schema['Award']) =>
  call(() =>
    ask(
      api.PUT('/api/practicals/{id}/award', {
        params: path,
        body: { from: view.value?.award?.revision ?? 0, award },
      }),
    ),
  )
const setVoid = (reason: string | undefined) =>
  call(() => ask(api.PUT('/api/practicals/{id}/void', { params: path, body: { reason } })))

/** The last demonstration of one's own of the same sequence. */
const { data: demonstrations, again: readShown } = useAsked(async () => {
  const sequence = view.value?.sequence.id
  return session.staff && sequence
    ? (await ask(api.GET('/api/demonstrations', { params: { query: { sequence } } }))).lines
    : []
})
watch(() => view.value?.sequence.id, readShown)
const shown = computed(() => demonstrations.value?.find((d) => d.finished))

// ---- what was tapped, put right afterwards ---------------------------------------------------------------------------
const log = ref(false)
const taps = useTaps(props.id)
// A run that still goes on is its grader's: whoever looks in from here must not touch it.
watch(view, (v) => v?.finished && session.staff && taps.open(v))
async function putRight(change: () => Promise<void>) {
  await change()
  await again()
}
const undo = (ref: string) => putRight(() => taps.takeBack(ref))
const correct = (tap: Tap, data: Partial<Tap['data']>) => putRight(() => taps.correct(tap, data))
const answering = ref(false)
/** What only the grader can say, written down as one more tap each. */
async function say(answers: Pick<Tap['data'], 'question' | 'said'>[]) {
  answering.value = true
  try {
    for (const a of answers) await taps.tap('review-answer', a)
    await again()
  } finally {
    answering.value = false
  }
}
const seconds = computed(() => (view.value ? view.value.run.end / 1000 : 0))
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
        <router-link v-if="view.beside" class="push" :to="`/compare/${view.id}/${view.beside}`"
          >Both graders</router-link
        >
        <router-link v-if="shown" class="push" :to="`/compare/${view.id}/shown/${shown.id}`"
          >Beside my demonstration</router-link
        >
        <button v-if="session.staff && view.finished" class="push" aria-haspopup="dialog" @click="log = true">
          Log
        </button>
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
        <Failed :of="failed" />
      </section>

      <p v-if="view.voidReason" class="card void" role="status">
        This does not count: {{ view.voidReason }}.
        <button v-if="session.staff" class="push" @click="setVoid(undefined)">Count it again</button>
      </p>
      <Strip
        :model="strip"
        :playhead="moment"
        :picked="picked"
        @event="pickEvent"
        @moment="moment = $event"
        @pick="picked = $event"
      />
      <ReplayBar v-if="view.finished" v-model="moment" :seconds="seconds" />
      <p v-if="here.length" class="soft log" aria-live="polite">{{ here.join(' · ') }}</p>

      <p v-if="!view.finished && session.staff" class="card soft">
        Scores come after the finish, and after the one rating of the whole.
      </p>
      <template v-if="view.scores && view.finished">
        <ReviewQuestions
          v-if="changing"
          :criteria="criteria"
          :busy="answering || busy"
          @answer="say"
          @moment="moment = $event"
        />
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
              >{{ stateOf(c) }} · {{ c.observations }} seen{{ c.thin ? ', thin' : ''
              }}<template v-if="c.low != null">
                · clean {{ points(c.low) }}–{{ points(c.high) }} %</template
              ></span
            >
          </button>
        </div>
        <div class="lower">
          <section v-if="criterion" class="card detail" :style="{ '--hue': hue(criterion.criterion) }">
            <h2>{{ criterion.name }}</h2>
            <p v-if="criterion.why" class="soft">{{ capital(stateOf(criterion)) }}: {{ criterion.why }}.</p>
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
                  >{{ p.explanation
                  }}<template v-if="p.weight > 0 && (p.value ?? 0) >= 0">
                    · weight {{ p.weight }}</template
                  ></span
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
              <button v-if="changing" class="ev" @click="form?.remark(f.remedy, f.where.atMs ?? undefined)">
                Say so at its moment
              </button>
              <ul v-if="openEvents === f.key">
                <li v-for="e in linesOf(f.evidence)" :key="e.id">
                  <button class="ev" @click="pickEvent(e.id)">{{ eventWords(e, stepName) }}</button>
                </li>
              </ul>
            </article>
            <p v-if="criterion.findings.length === 0" class="soft">No finding.</p>
            <router-link class="how" :to="`/marks#${criterion.criterion}`"
              >How this mark comes about</router-link
            >
          </section>
          <section v-if="looked" class="card step" :aria-label="`How it goes: ${looked.name}`">
            <h2>{{ looked.name }}</h2>
            <StepOfPlan :practical="id" :step="looked.step" :side="looked.side" :name="looked.name" />
          </section>
          <section class="card award">
            <AwardForm
              v-if="changing"
              ref="form"
              :key="view.award?.revision ?? 0"
              :view="judged!"
              :opened="opened"
              :moment="moment"
              :busy="busy"
              :failed="failed"
              @award="award"
              @moment="moment = $event"
            />
            <AwardShown
              v-else-if="view.award"
              :view="view"
              @change="editing = true"
              @moment="moment = $event"
              @set-void="setVoid"
            />
          </section>
        </div>
        <p class="law">{{ session.catalogue?.law }}</p>
      </template>
      <v-dialog v-model="log" max-width="760" scrollable>
        <div class="card logs" role="document">
          <h2>What was tapped</h2>
          <p class="soft">
            {{
              changing
                ? 'What is put right here is kept beside what was tapped; scores follow at once.'
                : 'An award rests on this. To put something right, change the award first.'
            }}
          </p>
          <TapLog
            :taps="taps.taps.value"
            :step-name="stepName"
            :readonly="!changing"
            @undo="undo"
            @correct="correct"
            @moment="moment = $event"
          />
          <VoidForm v-if="!view.award && !view.voidReason" @set-void="setVoid" />
          <button class="push main" @click="log = false">Close</button>
        </div>
      </v-dialog>
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
  grid-template-columns: 1fr 260px 350px;
  gap: 14px;
  align-items: start;
}
/* A tablet has the picture above the award, a phone all below one another. */
@media (max-width: 1180px) {
  .lower {
    grid-template-columns: 1fr 340px;
  }
  .detail {
    grid-row: span 2;
  }
}
@media (max-width: 760px) {
  .five {
    grid-template-columns: repeat(auto-fit, minmax(112px, 1fr));
    gap: 6px;
  }
  .score {
    padding: 8px 10px;
  }
  .score .name {
    font-size: 13px;
  }
  .part .plain {
    grid-template-columns: 92px 84px 1fr;
  }
  .lower {
    grid-template-columns: minmax(0, 1fr);
  }
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
  grid-template-columns: 110px 100px 1fr;
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
.how {
  align-self: start;
  min-height: var(--target);
  line-height: var(--target);
  color: inherit;
}
.logs,
.award {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.void {
  color: var(--stop);
  font-weight: 650;
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
