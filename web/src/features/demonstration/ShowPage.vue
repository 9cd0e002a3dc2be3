<script setup lang="ts">
import { onKeyStroke, useStorage, useWakeLock } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import { api, ask, type Schema } from '@/api/client'
import JoinAddress from '@/parts/JoinAddress.vue'
import Standing from '@/parts/Standing.vue'
import { useStepPicture } from '@/parts/useStepPicture'
import { mmss } from '@/parts/words'
import { onKeys } from './onKeys'
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
/** What the presenter and the class look at. */
type Look = Schema['ClassLiveView']['look']
const turned = ref<Look>()
const look = computed<Look>(() => turned.value ?? view.value?.look ?? 'both')
const LOOKS: Record<Look, [string, Look]> = {
  both: ['Both', 'picture'],
  picture: ['Picture', 'words'],
  words: ['Words', 'both'],
}
function turnLook() {
  turned.value = LOOKS[look.value][1]
  // Without a line the presenter's own screen turns; the class follows with the next turn.
  const params = { path: { id: props.id } }
  void ask(api.PUT('/api/demonstrations/{id}/look', { params, body: { look: turned.value } })).catch(
    () => undefined,
  )
}
/** How the counting is called on its button. */
const COUNTING = { silent: 'Sound', clicks: 'Clicks', voice: 'Voice' }
const reasons = computed(() => view.value?.reasons ?? [])
const clockTime = (iso: string) =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
/** What the term plan says of the end. */
const byClock = computed(() => {
  const lab = view.value?.lab
  return [
    lab?.endsAt && `until ${clockTime(lab.endsAt)}`,
    lab?.roomUntil && `${lab.room || 'room'} until ${clockTime(lab.roomUntil)}`,
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
const why = (i: number) => {
  const reason = live.value?.skipped[i]
  return reason ? ` (${reason.toLowerCase()})` : ''
}
/** The log beside the plan, a line for each stint. */
const log = computed(() => {
  const l = live.value
  if (!l) return []
  return moments.value.map((m, index) => {
    const shown = l.shownSeconds[index] ?? 0
    const planned = l.plannedSeconds[index] ?? 0
    const leftOut = l.leftOut.includes(index)
    const again = l.forAnotherDay.includes(index)
    return {
      index,
      name: `${m.number} ${m.name}`,
      place: m.place,
      shown: leftOut ? '–' : mmss(shown),
      planned: mmss(planned),
      off: leftOut || l.ranOver.includes(index),
      words: leftOut
        ? `left out${why(index)}${again && view.value?.anotherDay ? `, in week ${view.value.anotherDay}` : ''}`
        : l.ranOver.includes(index)
          ? `ran over by ${mmss(shown - planned)}`
          : (l.cold.find((c) => c.index === index)?.words ?? ''),
    }
  })
})
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
onKeyStroke(['1', '2', '3', '4'], (e) => panel.value === 'skip' && skip(reasons.value[Number(e.key) - 1]))
onKeys('Escape', () => (panel.value ? (panel.value = undefined) : leave()))
const KEYS = [
  ['Space → ↓ Page down, a tap', 'on'],
  ['← ↑ Page up', 'back'],
  ['P or .', 'pause, go on'],
  ['L', 'the next one later'],
  ['S', 'skip the next one'],
  ['T', 'take the offer to end on time'],
  ['A', 'go on by itself'],
  ['M', 'clicks, a voice, silence'],
  ['V', 'the picture, the words, both'],
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
        <div v-if="here?.finished" class="done">
          <h1>Shown</h1>
          <p class="big">
            {{ mmss(here.at - live.begunAt) }} of {{ mmss(view.shown.slotSeconds) }}, {{ live.words }}.
          </p>
          <p class="big">
            {{
              live.leftOut.length
                ? `${live.leftOut.length} of ${moments.length} announced and not shown.`
                : 'Everything announced was shown.'
            }}
            {{ view.anotherDay ? `What is left is on the plan of week ${view.anotherDay}.` : '' }}
          </p>
          <div class="after">
            <button class="push main" @click.stop="leave">Back to the plan</button>
            <router-link class="push" :to="`/show/rounds?sequence=${view.shown.sequence}`" @click.stop>
              Practice round
            </router-link>
          </div>
          <table class="log" aria-label="What was shown" @click.stop>
            <thead>
              <tr>
                <th>Step</th>
                <th>Side</th>
                <th class="n">Shown</th>
                <th class="n">Planned</th>
                <th />
              </tr>
            </thead>
            <tbody>
              <tr v-for="o in log" :key="o.index" :class="{ off: o.off }">
                <td>{{ o.name }}</td>
                <td>{{ o.place }}</td>
                <td class="n">{{ o.shown }}</td>
                <td class="n">{{ o.planned }}</td>
                <td>{{ o.words }}</td>
              </tr>
            </tbody>
          </table>
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
              <button v-for="(r, i) in reasons" :key="r" class="push" @click="skip(r)">
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
            <button class="push" :aria-pressed="counting !== 'silent'" @click.stop="turn">
              {{ COUNTING[counting] }}
            </button>
            <button class="push" @click.stop="turnLook">{{ LOOKS[look][0] }}</button>
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
<style scoped>
.show {
  cursor: pointer;
}
.drift {
  font-size: 26px;
  font-weight: 650;
}
.drift.late,
.offer {
  color: var(--draping);
}
.clocks {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
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
.chip {
  background: var(--caution-wash);
  color: var(--caution);
  border-radius: 10px;
  padding: 4px 12px;
  font-weight: 650;
  font-size: 18px;
}
/* Two lines of it, and no more of the room. */
header .grow {
  flex: 1 1 0;
  min-width: 0;
  line-height: 1.2;
}
header .chip {
  display: inline-block;
}
.done {
  justify-content: flex-start;
  overflow: auto;
  padding-top: 10px;
}
.log {
  border-collapse: collapse;
  font-size: 20px;
  width: 100%;
}
.log th {
  text-align: left;
  color: var(--ink-soft);
  font-weight: 600;
  padding: 2px 14px 6px 0;
}
.log td {
  border-top: 1px solid var(--line);
  padding: 6px 14px 6px 0;
}
.log .n {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.log tr.off td {
  color: var(--draping);
}
.after {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
/* Where the finger is already. */
.panel.low {
  inset: auto 28px 150px;
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
@media (max-width: 899px) {
  .panel.low {
    inset: auto 14px 20px;
  }
  .drift {
    font-size: 20px;
  }
  .offer {
    font-size: 18px;
  }
  header .grow:not(:empty) {
    display: block;
    flex-basis: 100%;
    order: 5;
  }
  header > .clocks {
    margin-left: auto;
    order: 2;
  }
  .log {
    font-size: 16px;
  }
  .coming > .soft {
    flex: none;
  }
  .coming > .name {
    flex: 1 1 calc(100% - 60px);
  }
  .coming > .name + .soft {
    display: none;
  }
}
</style>
