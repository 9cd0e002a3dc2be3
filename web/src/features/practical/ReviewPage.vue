<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import ChoosePracticeRun from '@/features/graderpractice/ChoosePracticeRun.vue'
import SecondLookPanel from '@/features/secondlook/SecondLookPanel.vue'
import { useSession } from '@/features/session/useSession'
import type { Criterion } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import Strip from '@/parts/Strip.vue'
import { stepsOf } from '@/parts/strip'
import { capital, day, points } from '@/parts/words'
import AwardForm from './AwardForm.vue'
import AwardShown from './AwardShown.vue'
import CriterionDetail from './CriterionDetail.vue'
import { eventWords } from './eventWords'
import FiveScores from './FiveScores.vue'
import RatingForm from './RatingForm.vue'
import ReplayBar from './ReplayBar.vue'
import ReviewQuestions from './ReviewQuestions.vue'
import StepOfPlan from './StepOfPlan.vue'
import { stripOfView } from './tableModel'
import TapLog from './TapLog.vue'
import { useReview } from './useReview'
import VoidForm from './VoidForm.vue'

/** A practical after it: the course it took, the five scores down to what was seen, and the award beside them. */
const props = defineProps<{ id: string }>()
const session = useSession()
const route = useRoute()
const review = useReview(props.id)
const { view, judged, changing, busy, failed, shown } = review
const opened = ref<Criterion>('pressure')
const moment = ref<number>()
const picked = ref<string>()
const log = ref(false)
const form = ref<InstanceType<typeof AwardForm>>()

const steps = computed(() => (view.value ? stepsOf(view.value.sequence) : []))
const stepName = (id: string) => steps.value.find((s) => s.id === id)?.name ?? id
const events = computed(() => new Map(view.value?.events.map((e) => [e.id, e]) ?? []))
/** What the log says around the playhead. */
const here = computed(() => {
  const at = moment.value
  if (at === undefined || !view.value) return []
  return view.value.events
    .filter((e) => Math.abs(e.atMs / 1000 - at) <= 4)
    .map((e) => eventWords(e, stepName))
})
const criteria = computed(() => judged.value?.scores?.criteria ?? [])
const criterion = computed(() => criteria.value.find((c) => c.criterion === opened.value))
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
const moved = computed(
  () =>
    new Set(
      criteria.value
        .flatMap((c) => c.findings)
        .filter((f) => f.rule === 'ORDER-RUN')
        .flatMap((f) => f.evidence),
    ),
)
const strip = computed(() => {
  const v = view.value
  if (!v) return undefined
  const seconds = Math.max(v.spans.at(-1)?.end ?? 1, v.run.end / 1000)
  return stripOfView(v, seconds, session.pointedTools, moved.value)
})
const awarded = (c: Criterion) => view.value?.award?.award.criteria?.[c]?.value
function pickEvent(id: string) {
  const e = events.value.get(id)
  if (e) moment.value = e.atMs / 1000
}
</script>

<template>
  <div class="page">
    <Standing
      :problem="review.problem.value"
      :loading="review.loading.value && !view"
      @again="review.again"
    />
    <template v-if="view && strip">
      <div class="top">
        <router-link :to="session.staff ? '/grade' : '/me'" class="push" aria-label="Back">←</router-link>
        <div class="named">
          <h1>{{ view.student.name }}</h1>
          <span class="soft"
            >{{ view.sequence.name }} · {{ day(view.startedAt) }} · seen by {{ view.grader.name }}</span
          >
        </div>
        <span v-if="view.award" class="result" :class="view.award.outcome.result"
          >{{ capital(view.award.outcome.result) }} {{ points(view.award.outcome.mean) }}</span
        >
        <span v-else-if="!view.finished" class="soft">still at the table</span>
        <router-link v-if="view.beside" class="push" :to="`/compare/${view.id}/${view.beside}`"
          >Both graders</router-link
        >
        <router-link v-if="shown" class="push" :to="`/compare/${view.id}/shown/${shown.id}`"
          >Beside what was shown</router-link
        >
        <button v-if="session.staff && view.finished" class="push" aria-haspopup="dialog" @click="log = true">
          Log
        </button>
        <a v-if="session.staff" class="push" :href="`/api/practicals/${id}/file`" download>Save the record</a>
      </div>

      <RatingForm
        v-if="view.finished && !view.scores && session.staff"
        :busy="busy"
        :failed="failed"
        @rate="review.rate"
      />
      <p v-if="view.voidReason" class="card void" role="status">
        This does not count: {{ view.voidReason }}.
        <button v-if="session.staff" class="push" @click="review.setVoid(undefined)">Count it again</button>
      </p>
      <div class="work" :class="{ scored: view.scores && view.finished }">
        <div class="course">
          <Strip
            :model="strip"
            :playhead="moment"
            :picked="picked"
            @event="pickEvent"
            @moment="moment = $event"
            @pick="picked = $event"
          />
          <ReplayBar v-if="view.finished" v-model="moment" :seconds="view.run.end / 1000" />
          <p v-if="here.length" class="soft log" aria-live="polite">{{ here.join(' · ') }}</p>
          <p v-if="!view.finished && session.staff" class="card soft">
            Scores come after the finish, and after the one rating of the whole.
          </p>
        </div>
        <template v-if="view.scores && view.finished">
          <div class="marks">
            <ReviewQuestions
              v-if="changing"
              :criteria="criteria"
              :busy="review.answering.value || busy"
              @answer="review.say"
              @moment="moment = $event"
            />
            <FiveScores v-model:opened="opened" :criteria="criteria" :awarded="awarded" />
            <CriterionDetail
              v-if="criterion"
              :key="criterion.criterion"
              :criterion="criterion"
              :events="events"
              :step-name="stepName"
              :changing="changing"
              @event="pickEvent"
              @remark="(words, atMs) => form?.remark(words, atMs)"
            />
          </div>
          <div class="side">
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
                @award="review.award"
                @moment="moment = $event"
              />
              <AwardShown
                v-else-if="view.award"
                :view="view"
                @change="review.editing.value = true"
                @moment="moment = $event"
                @set-void="review.setVoid"
              />
            </section>
            <SecondLookPanel
              v-if="view.award && !changing"
              :key="view.award.revision"
              :practical="id"
              :mine="view.student.id === session.person?.id"
              @changed="review.again"
            />
            <ChoosePracticeRun
              v-if="view.award && !changing && !view.voidReason && session.person?.role === 'lead'"
              :practical="id"
              :name="view.sequence.name"
            />
            <section v-if="looked" class="card step" :aria-label="`How it goes: ${looked.name}`">
              <h2>{{ looked.name }}</h2>
              <StepOfPlan :practical="id" :step="looked.step" :side="looked.side" :name="looked.name" />
            </section>
          </div>
        </template>
      </div>
      <p v-if="view.scores && view.finished" class="law">{{ session.catalogue?.law }}</p>
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
            :taps="review.tapped.value"
            :taken-back="view.progress.takenBack"
            :step-name="stepName"
            :readonly="!changing"
            @undo="review.undo"
            @correct="review.correct"
            @moment="moment = $event"
          />
          <VoidForm v-if="!view.award && !view.voidReason" @set-void="review.setVoid" />
          <button class="push main" @click="log = false">Close</button>
        </div>
      </v-dialog>
    </template>
  </div>
</template>

<style scoped src="./reviewPage.css"></style>
