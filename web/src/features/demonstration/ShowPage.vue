<script setup lang="ts">
import { onKeyStroke, useStorage, useWakeLock } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import { mmss } from '@/parts/words'
import QrCode from './QrCode.vue'
import ShowStrip from './ShowStrip.vue'
import Stage from './Stage.vue'
import { useBeat } from './useBeat'
import { useShowing } from './useShowing'

const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const showing = useShowing(props.id)
const { view, live, refit, problem, here, now, waiting, ahead, order } = showing
const wake = useWakeLock()
void wake.request('screen').catch(() => undefined)

/** Why a step is left out, as presenters say it. */
const REASONS = ['No time', 'Seen before', 'Not on this body', 'Not today']

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
const seconds = computed(() => live.value?.seconds[index.value] ?? 0)
const allowed = computed(() =>
  live.value && here.value?.index === live.value.current && live.value.current >= 0
    ? live.value.allowedSeconds
    : (shown.value?.leadSeconds ?? 0) + seconds.value,
)
const spent = computed(() => {
  if (!on.value || !here.value || !live.value) return undefined
  if (live.value.paused && here.value.paused)
    return Math.max(0, live.value.elapsedSeconds - live.value.startedAt)
  const at = live.value.current === here.value.index && !waiting.value ? live.value.startedAt : here.value.at
  return Math.max(0, now.value - at)
})
const { sound } = useBeat(() => {
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
/** Whether only this computer reaches the address. */
const alone = ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname)
const address = computed(() => `${location.origin}/class/${view.value?.screen ?? ''}`)

watch(
  () => auto.value && !here.value?.paused && spent.value !== undefined && spent.value >= allowed.value,
  (over) => over && showing.next(),
)
const nameOf = (i: number) => {
  const m = moments.value[i]
  return m ? `${m.number} ${m.name}${m.place ? `, ${m.place}` : ''}` : ''
}
const why = (i: number) => {
  const reason = live.value?.skipped[i]
  return reason ? ` (${reason.toLowerCase()})` : ''
}
/** What took longest beyond its plan, a few. */
const ranOver = computed(() =>
  (live.value?.ranOver ?? []).slice(0, 5).map((index) => ({
    index,
    shown: live.value?.shownSeconds[index] ?? 0,
    planned: live.value?.plannedSeconds[index] ?? 0,
  })),
)
function leave() {
  void router.push(view.value ? `/plan/${view.value.shown.sequence}` : '/show')
}
function skip(reason?: string) {
  showing.skip(reason)
  panel.value = undefined
}
function key(keys: string | string[], run: () => void) {
  onKeyStroke(keys, (e) => {
    if (e.ctrlKey || e.metaKey || e.altKey || e.repeat) return
    // A button that has the focus is pressed by these two itself.
    if (e.target instanceof HTMLButtonElement && (e.key === 'Enter' || e.key === ' ')) return
    e.preventDefault()
    run()
  })
}
key([' ', 'ArrowRight', 'ArrowDown', 'PageDown', 'Enter'], () => {
  if (panel.value === 'skip') skip()
  else if (panel.value) panel.value = undefined
  else showing.next()
})
key(['ArrowLeft', 'ArrowUp', 'PageUp'], showing.back)
key(['p', 'b', '.'], showing.pause)
key('l', () => showing.later())
key('s', () => next.value && (panel.value = 'skip'))
key('t', showing.shorten)
key('a', () => (auto.value = !auto.value))
key('m', () => (sound.value = !sound.value))
key('c', () => (panel.value = panel.value === 'screen' ? undefined : 'screen'))
key('?', () => (panel.value = panel.value === 'keys' ? undefined : 'keys'))
onKeyStroke(['1', '2', '3', '4'], (e) => panel.value === 'skip' && skip(REASONS[Number(e.key) - 1]))
key('Escape', () => (panel.value ? (panel.value = undefined) : leave()))
const KEYS = [
  ['Space → ↓ Page down, a tap', 'on'],
  ['← ↑ Page up', 'back'],
  ['P or .', 'pause, go on'],
  ['L', 'the next one later'],
  ['S', 'skip the next one'],
  ['T', 'take the offer to end on time'],
  ['A', 'go on by itself'],
  ['M', 'count to be heard'],
  ['C', 'address of the class screen'],
  ['Esc', 'leave'],
]
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
          <span class="what">{{ view.shown.name }}</span>
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
          <span class="grow" />
          <span v-if="waiting" class="wait">{{ waiting }} not stored yet</span>
          <span class="drift" :class="{ late: live.late }">{{ begun ? live.words : 'not started' }}</span>
          <span class="clocks">
            <span class="clock" role="timer">{{ mmss(clock) }}</span>
            <span class="slot">{{
              begun
                ? slotLeft < 0
                  ? `slot over ${mmss(-slotLeft)}`
                  : `${mmss(slotLeft)} left`
                : `of ${mmss(view.shown.slotSeconds)}`
            }}</span>
          </span>
        </header>
        <div v-if="here?.finished" class="done">
          <h1>Shown</h1>
          <p class="big">
            {{ live.words }}, after {{ mmss(here.at - live.begunAt) }} of {{ mmss(view.shown.slotSeconds) }}.
          </p>
          <ul v-if="live.leftOut.length" class="big">
            <li v-for="i in live.leftOut" :key="i">Left out: {{ nameOf(i) }}{{ why(i) }}</li>
          </ul>
          <p v-else class="big">Everything announced was shown.</p>
          <ul v-if="ranOver.length" class="big">
            <li v-for="o in ranOver" :key="o.index">
              Ran over: {{ nameOf(o.index) }}, {{ mmss(o.shown) }} instead of {{ mmss(o.planned) }}
            </li>
          </ul>
          <button class="push main" @click.stop="leave">Back to the plan</button>
        </div>
        <Stage
          v-else-if="shown"
          :moment="shown"
          :of="steps"
          :seconds="seconds"
          :token="live.token[index] ?? false"
          :spent="spent"
          :allowed="allowed"
          :paused="here?.paused"
        />
        <div v-if="panel === 'screen'" class="panel card" role="dialog" aria-label="Class screen" @click.stop>
          <QrCode class="qr" :text="address" />
          <div>
            <p class="big">
              <strong>{{ address }}</strong>
            </p>
            <p v-if="alone">
              This address works on this computer only. Started with <code>./palm serve --lan</code> the
              school is reached by phones and the projector’s computer.
            </p>
            <p v-else>Any phone or the projector’s computer opens it without a sign-in and follows.</p>
            <a class="push" :href="address" target="_blank" rel="noopener">Open it here</a>
          </div>
        </div>
        <div v-else-if="panel === 'keys'" class="panel card" role="dialog" aria-label="Keys" @click.stop>
          <dl class="keys">
            <template v-for="[k, what] in KEYS" :key="k">
              <dt>{{ k }}</dt>
              <dd>{{ what }}</dd>
            </template>
          </dl>
        </div>
        <div v-else-if="panel === 'skip'" class="panel low card" role="dialog" aria-label="Skip" @click.stop>
          <div>
            <p class="big">Skip {{ next?.name }}?</p>
            <div class="reasons">
              <button v-for="(r, i) in REASONS" :key="r" class="push" @click="skip(r)">
                {{ i + 1 }} {{ r }}
              </button>
              <button class="push main" @click="skip()">Skip it</button>
            </div>
          </div>
        </div>
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
            <button class="push" :aria-pressed="sound" @click.stop="sound = !sound">Sound</button>
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

<style scoped>
.show {
  min-height: 100vh;
  background: var(--ground);
  color: var(--ink);
  display: flex;
  flex-direction: column;
  padding: 16px 28px 10px;
  cursor: pointer;
  user-select: none;
}
.alone {
  padding: 40px;
}
header {
  display: flex;
  align-items: center;
  gap: 14px;
}
.quiet {
  border-color: var(--line);
  background: transparent;
}
.what {
  font-size: 22px;
  color: var(--ink-soft);
}
.drift {
  font-size: 26px;
  font-weight: 650;
}
.drift.late,
.wait,
.offer {
  color: var(--draping);
}
.clocks {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
}
.clock {
  font: 700 50px/1 var(--text);
}
.slot {
  font-size: 18px;
  color: var(--ink-soft);
}
.offer {
  display: flex;
  align-items: center;
  gap: 16px;
  font-size: 24px;
  font-weight: 650;
  margin-bottom: 6px;
}
.coming {
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 24px;
  min-height: 52px;
}
/* In one line: what is cut off here is whole in a moment. */
.coming > span,
.name {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.name,
.soft {
  flex: none;
}
.coming .push {
  font-size: 18px;
  flex: none;
}
.chip {
  background: var(--caution-wash);
  color: var(--caution);
  border-radius: 10px;
  padding: 4px 12px;
  font-weight: 650;
  font-size: 18px;
}
.done {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 16px;
  align-items: flex-start;
  justify-content: center;
}
ul.big {
  margin: 0;
  padding-left: 28px;
}
.push[aria-pressed='true'] {
  background: var(--order);
  color: var(--on-hue);
}
.done h1 {
  font-size: 64px;
}
.big {
  font-size: 28px;
}
.panel {
  position: fixed;
  inset: 90px 28px auto;
  z-index: 3;
  display: flex;
  gap: 28px;
  align-items: center;
  cursor: default;
  font-size: 20px;
}
/* Where the finger is already. */
.panel.low {
  inset: auto 28px 150px;
}
.qr {
  width: 280px;
  flex: none;
}
.keys {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 24px;
  margin: 0;
}
.keys dt {
  font-weight: 700;
}
.keys dd {
  margin: 0;
}
.reasons {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin-top: 14px;
}
.reasons .push {
  min-height: 60px;
  font-size: 20px;
}
.law {
  margin-top: 6px;
}
/* All of it in sight where there is room; on a phone it scrolls. */
@media (min-width: 900px) and (min-height: 700px) {
  .show {
    height: 100dvh;
  }
}
</style>
