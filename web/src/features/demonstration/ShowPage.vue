<script setup lang="ts">
import { onKeyStroke, useStorage, useWakeLock } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import { api, ask } from '@/api/client'
import JoinAddress from '@/parts/JoinAddress.vue'
import Standing from '@/parts/Standing.vue'
import { useStepPicture } from '@/parts/useStepPicture'
import { mmss } from '@/parts/words'
import { onKeys } from './onKeys'
import ShowKeys from './ShowKeys.vue'
import ShownLog from './ShownLog.vue'
import ShowStrip from './ShowStrip.vue'
import SkipPanel from './SkipPanel.vue'
import Stage from './Stage.vue'
import { useBeat } from './useBeat'
import { useLook } from './useLook'
import { useShowing } from './useShowing'
import { timeOf } from '@/parts/when'

const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const showing = useShowing(props.id)
const { view, live, refit, problem, here, now, waiting, ahead, order } = showing
const wake = useWakeLock()
void wake.request('screen').catch(() => undefined)

const panel = ref<'screen' | 'keys' | 'skip'>()
/** Goes on by itself when a step has had its time. */
const auto = useStorage('palm-show-auto', false)
const moments = computed(() => view.value?.shown.moments ?? [])
const steps = computed(() => Math.max(0, ...moments.value.map((m) => m.number)))
const on = computed(() => (here.value && here.value.index >= 0 ? moments.value[here.value.index] : undefined))
const next = computed(() => (ahead.value[0] === undefined ? undefined : moments.value[ahead.value[0]]))
const shown = computed(() => on.value ?? next.value)
const begun = computed(
  () => !!here.value && (here.value.index >= 0 || here.value.finished || (live.value?.begunAt ?? 0) > 0),
)
const index = computed(() => (on.value ? here.value!.index : (ahead.value[0] ?? 0)))
/** What the step that stands there looks like. */
const seen = useStepPicture(
  () => view.value && `${view.value.id} ${index.value}`,
  () =>
    ask(
      api.GET('/api/demonstrations/{id}/steps/{index}/picture', {
        params: { path: { id: props.id, index: String(index.value) } },
      }),
    ),
)
const { look, after, turn: turnLook } = useLook(props.id, () => view.value?.look)
const seconds = computed(() => live.value?.seconds[index.value] ?? 0)
const allowed = computed(() =>
  live.value && here.value?.index === live.value.current && live.value.current >= 0
    ? live.value.allowedSeconds
    : (shown.value?.leadSeconds ?? 0) + seconds.value,
)
const spent = computed(() =>
  on.value && here.value ? Math.max(0, (here.value.pausedAt ?? now.value) - here.value.at) : undefined,
)
const { counting, turn } = useBeat(() => {
  const beat = on.value?.beat
  if (!on.value || spent.value === undefined || here.value?.paused) return undefined
  const worked = spent.value - (allowed.value - seconds.value)
  return {
    worked: worked < 0 ? undefined : worked,
    every: beat?.seconds ?? seconds.value,
    lasts: seconds.value,
  }
})
/** The clock of the demonstration runs from its first step to its end. */
const moment = computed(() => (here.value?.finished ? here.value.at : now.value))
const clock = computed(() => (begun.value && live.value ? moment.value - live.value.begunAt : 0))
const slotLeft = computed(() => (live.value ? live.value.slotEndsAt - moment.value : 0))
/** How the counting is called on its button. */
const COUNTING = { silent: 'Sound', clicks: 'Clicks', voice: 'Voice' }
/** What the term plan says of the end. */
const byClock = computed(() => {
  const lab = view.value?.lab
  return [
    lab?.endsAt && `until ${timeOf(lab.endsAt)}`,
    lab?.roomUntil && `${lab.room || 'room'} until ${timeOf(lab.roomUntil)}`,
  ]
    .filter(Boolean)
    .join(' · ')
})
/** Firm work that is on, or comes next, without its warm-up. */
const cold = computed(() => {
  const on = live.value?.cold.find((c) => c.index === here.value?.index)
  if (on) return on.words
  return live.value?.coldNext ? `Next: ${live.value.coldNext.words}` : undefined
})

watch(
  () => auto.value && !here.value?.paused && spent.value !== undefined && spent.value >= allowed.value,
  (over) => over && showing.next(),
)
function leave() {
  void router.push(view.value ? `/plan/${view.value.shown.sequence}` : '/show')
}
function skip(reason?: string) {
  showing.skip(reason)
  panel.value = undefined
}
onKeys([' ', 'ArrowRight', 'ArrowDown', 'PageDown', 'Enter'], () => {
  if (panel.value === 'skip') skip()
  else if (panel.value) panel.value = undefined
  else showing.next()
})
onKeys(['ArrowLeft', 'ArrowUp', 'PageUp'], showing.back)
onKeys(['p', 'b', '.'], showing.pause)
onKeys('l', () => showing.later())
onKeys('s', () => next.value && (panel.value = 'skip'))
onKeys('t', showing.shorten)
onKeys('a', () => (auto.value = !auto.value))
onKeys('m', turn)
onKeys('v', turnLook)
onKeys('c', () => (panel.value = panel.value === 'screen' ? undefined : 'screen'))
onKeys('?', () => (panel.value = panel.value === 'keys' ? undefined : 'keys'))
onKeyStroke(
  ['1', '2', '3', '4'],
  (e) => panel.value === 'skip' && skip(view.value?.reasons[Number(e.key) - 1]),
)
onKeys('Escape', () => (panel.value ? (panel.value = undefined) : leave()))
</script>

<template>
  <v-theme-provider theme="night" with-background>
    <!-- A tap anywhere goes on: the buttons within say so to those who do not see or point. -->
    <div class="show" @click="panel ? (panel = undefined) : showing.next()">
      <div v-if="!view || !live" class="alone">
        <Standing :problem="problem as never" :loading="!problem" @again="showing.again" />
      </div>
      <template v-else>
        <header>
          <button class="push quiet" aria-label="Leave the demonstration" @click.stop="leave">←</button>
          <span class="what"
            >{{ view.shown.name }}{{ view.lab ? ` · week ${view.lab.week}, lab ${view.lab.lab}` : '' }}</span
          >
          <button
            class="push quiet"
            :aria-expanded="panel === 'screen'"
            @click.stop="panel = panel === 'screen' ? undefined : 'screen'"
          >
            Class screen {{ view.screen }}
          </button>
          <button
            class="push quiet"
            aria-label="Keys"
            :aria-expanded="panel === 'keys'"
            @click.stop="panel = panel === 'keys' ? undefined : 'keys'"
          >
            ?
          </button>
          <span class="grow"
            ><span v-if="cold && !here?.finished" class="chip" role="status">{{ cold }}</span></span
          >
          <span v-if="waiting" class="wait">{{ waiting }} not stored yet</span>
          <span v-if="!here?.finished" class="drift" :class="{ late: live.late }">{{
            begun ? live.words : 'not started'
          }}</span>
          <span class="clocks">
            <span class="clock" role="timer">{{ mmss(clock) }}</span>
            <span class="slot">{{
              begun
                ? slotLeft < 0
                  ? `slot over ${mmss(-slotLeft)}`
                  : `${mmss(slotLeft)} left`
                : `of ${mmss(view.shown.slotSeconds)}`
            }}</span>
            <span v-if="byClock" class="slot">{{ byClock }}</span>
          </span>
        </header>
        <ShownLog
          v-if="here?.finished"
          :view="view"
          :live="live"
          :seconds="here.at - live.begunAt"
          @leave="leave"
        />
        <Stage
          v-else-if="shown"
          :moment="shown"
          :of="steps"
          :seconds="seconds"
          :token="live.token[index] ?? false"
          :spent="spent"
          :allowed="allowed"
          :paused="here?.paused"
          pictures="/api/pictures"
          :seen="seen"
          :look="look"
        />
        <JoinAddress
          v-if="panel === 'screen'"
          class="panel"
          name="Class screen"
          :path="`/class/${view.screen}`"
          words="Any phone or the projector’s computer opens it without a sign-in and follows."
        >
          <button class="push" @click="showing.newAddress">New address</button>
        </JoinAddress>
        <ShowKeys v-else-if="panel === 'keys'" class="panel" />
        <SkipPanel
          v-else-if="panel === 'skip'"
          class="panel"
          :name="next?.name"
          :reasons="view.reasons"
          @skip="skip"
        />
        <footer v-if="!here?.finished">
          <div v-if="refit?.needed" class="offer" role="status">
            <span>{{ refit.found ? `Behind: ${refit.words}` : refit.words }}</span>
            <button v-if="refit.found" class="push main" @click.stop="showing.shorten">Take it (T)</button>
          </div>
          <div class="coming">
            <span class="soft">{{ on ? 'Next' : '' }}</span>
            <strong v-if="on" class="name">{{ next ? next.name : 'the end' }}</strong>
            <span v-if="on && next && next.place !== on.place && next.place" class="soft">{{
              next.place
            }}</span>
            <span v-if="on && next?.caution" class="chip">{{ next.caution }}</span>
            <span class="grow" />
            <button v-if="next" class="push" @click.stop="showing.later()">Later</button>
            <button v-if="next" class="push" @click.stop="panel = 'skip'">Skip</button>
            <button v-if="on" class="push" :aria-pressed="here?.paused" @click.stop="showing.pause">
              {{ here?.paused ? 'Go on' : 'Pause' }}
            </button>
            <button class="push" :aria-pressed="counting !== 'silent'" @click.stop="turn">
              {{ COUNTING[counting] }}
            </button>
            <button class="push" @click.stop="turnLook">{{ after }}</button>
            <button class="push" :aria-pressed="auto" @click.stop="auto = !auto">Auto</button>
            <button class="push" @click.stop="showing.back">Back</button>
            <button class="push main" @click.stop="showing.next">
              {{ on ? (next ? 'Next' : 'Finish') : 'Start' }}
            </button>
          </div>
          <ShowStrip
            :moments="moments"
            :order="order"
            :seconds="live.seconds"
            :current="here?.index ?? -1"
            :ahead="ahead"
            touchable
            @go="showing.go"
          />
          <p class="law">{{ session.catalogue?.law }}</p>
        </footer>
      </template>
    </div>
  </v-theme-provider>
</template>

<style scoped src="./night.css"></style>
<style scoped src="./showPage.css"></style>
