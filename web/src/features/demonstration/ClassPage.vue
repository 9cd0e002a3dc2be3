<script setup lang="ts">
import { useIntervalFn, useWakeLock } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useAgain } from '@/api/useAgain'
import Standing from '@/parts/Standing.vue'
import LegStrip from './LegStrip.vue'
import { roundAt } from './round'
import RoundStage from './RoundStage.vue'
import ShowStrip from './ShowStrip.vue'
import Stage from './Stage.vue'
import { useChime } from './useChime'
import { drawBodiesAs } from '@/parts/useBodyLook'
import { useLine } from '@/parts/useLine'
import { useStepPicture } from '@/parts/useStepPicture'
import { TICK_MS } from './useMarks'

/** What a class looks at: the same big thing as the presenter, without a sign-in and without anything to press. */
const props = defineProps<{ code: string }>()
type Live = Schema['ClassLiveView']
type RoundLive = Schema['RoundLiveView']
const screen = shallowRef<Schema['ScreenView']>()
const live = shallowRef<Live>()
const roundLive = shallowRef<RoundLive>()
const problem = ref<Problem>()
const now = ref(0)
let base = 0
let read = 0
const wake = useWakeLock()
void wake.request('screen').catch(() => undefined)

function take(state: { live?: Live; roundLive?: RoundLive }) {
  live.value = state.live
  roundLive.value = state.roundLive
  const at = state.live ?? state.roundLive
  if (!at) return
  base = at.elapsedSeconds
  read = performance.now()
  now.value = base
  // Something else began: its words are asked for once.
  if (
    state.live?.demonstration !== screen.value?.shown?.demonstration ||
    state.roundLive?.round !== screen.value?.round?.round
  )
    void again()
}
let asking = false
async function again() {
  if (asking) return
  asking = true
  try {
    screen.value = await ask(api.GET('/api/screens/{code}', { params: { path: { code: props.code } } }))
    drawBodiesAs(screen.value.bodyLook)
    problem.value = undefined
    if (!live.value && !roundLive.value) take(screen.value)
  } catch (e) {
    problem.value = e as Problem
  } finally {
    asking = false
  }
}
useAgain(problem, again)
void again()
const { lost } = useLine<{ live?: Live; roundLive?: RoundLive }>(`/api/screens/${props.code}/live`, take)
useIntervalFn(() => (now.value = base + (performance.now() - read) / 1000), TICK_MS)

const shown = computed(() =>
  screen.value?.shown && live.value?.demonstration === screen.value.shown.demonstration
    ? screen.value.shown
    : undefined,
)
const round = computed(() =>
  screen.value?.round && roundLive.value?.round === screen.value.round.round ? screen.value.round : undefined,
)
const place = computed(() => (roundLive.value ? roundAt(roundLive.value, now.value) : { leg: -1, into: 0 }))
const { on: chime } = useChime(() => (round.value && place.value.leg >= 0 ? place.value.leg : undefined))
const moments = computed(() => shown.value?.moments ?? [])
const steps = computed(() => Math.max(0, ...moments.value.map((m) => m.number)))
const on = computed(() =>
  live.value && live.value.current >= 0 ? moments.value[live.value.current] : undefined,
)
const next = computed(() => {
  const i = live.value?.ahead[0]
  return i === undefined ? undefined : moments.value[i]
})
const index = computed(() => (on.value ? live.value!.current : (live.value?.ahead[0] ?? 0)))
/** What the step that stands there looks like. */
const seen = useStepPicture(
  () => shown.value && `${shown.value.demonstration} ${index.value}`,
  () =>
    ask(
      api.GET('/api/screens/{code}/steps/{index}/picture', {
        params: { path: { code: props.code, index: String(index.value) } },
      }),
    ),
)
const seconds = computed(() => live.value?.seconds[index.value] ?? 0)
const spent = computed(() => {
  if (!on.value || !live.value) return undefined
  return Math.max(0, (live.value.paused ? live.value.elapsedSeconds : now.value) - live.value.startedAt)
})
const allowed = computed(() =>
  on.value ? live.value!.allowedSeconds : (next.value?.leadSeconds ?? 0) + seconds.value,
)
</script>

<template>
  <v-theme-provider theme="night" with-background>
    <div class="class">
      <div v-if="problem && !screen" class="alone">
        <Standing :problem="problem" :loading="false" @again="again" />
      </div>
      <template v-else>
        <header>
          <span class="what">{{ shown?.name }}</span>
          <span class="grow" />
          <button
            v-if="round && place.leg < round.legs.length"
            class="push quiet"
            :aria-pressed="chime"
            @click="chime = !chime"
          >
            Chime
          </button>
          <span v-if="lost" class="lost" role="status">no line to the school; trying again</span>
        </header>
        <div v-if="!screen" class="wait" role="status">Reading…</div>
        <div v-else-if="round && place.leg >= round.legs.length" class="wait">
          <h1>Round over</h1>
          <p class="big">{{ round.name }}</p>
        </div>
        <template v-else-if="round && roundLive">
          <RoundStage :round="round" :live="roundLive" :place="place" />
          <LegStrip :legs="round.legs" :seconds="roundLive.standing.seconds" :current="place.leg" />
        </template>
        <div v-else-if="!shown || !live" class="wait">
          <h1>Nothing is shown yet</h1>
          <p class="big">This screen follows by itself as soon as something is.</p>
        </div>
        <div v-else-if="live.finished" class="wait">
          <h1>Shown</h1>
          <p class="big">{{ shown.name }}</p>
        </div>
        <template v-else>
          <Stage
            v-if="on ?? next"
            :moment="(on ?? next)!"
            :of="steps"
            :seconds="seconds"
            :token="live.token[index] ?? false"
            :spent="spent"
            :allowed="allowed"
            :paused="live.paused"
            :pictures="`/api/screens/${code}/pictures`"
            :seen="seen"
            :look="live.look"
          />
          <p v-if="on" class="coming">
            <span class="soft">Next</span> <strong>{{ next ? next.name : 'the end' }}</strong>
          </p>
          <ShowStrip
            :moments="moments"
            :order="live.order"
            :seconds="live.seconds"
            :current="live.current"
            :ahead="live.ahead"
          />
        </template>
      </template>
    </div>
  </v-theme-provider>
</template>

<style scoped>
.class {
  min-height: 100vh;
  background: var(--ground);
  color: var(--ink);
  display: flex;
  flex-direction: column;
  padding: 16px 28px;
}
.alone {
  padding: 40px;
}
header {
  display: flex;
  min-height: 30px;
}
.what {
  font-size: 24px;
  color: var(--ink-soft);
}
.quiet {
  background: transparent;
  border-color: var(--line);
}
.quiet[aria-pressed='true'] {
  background: var(--order);
  color: var(--on-hue);
}
.lost {
  font-size: 22px;
  color: var(--draping);
}
.wait {
  flex: 1;
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 16px;
  font-size: 28px;
}
.wait h1 {
  font-size: 64px;
}
.coming {
  font-size: 28px;
  margin: 8px 0;
  display: flex;
  gap: 14px;
}
/* All of it in sight where there is room; on a phone it scrolls. */
@media (min-width: 900px) and (min-height: 700px) {
  .class {
    height: 100dvh;
  }
}
@media (max-width: 899px) {
  .class {
    padding: 10px 14px;
  }
  .what,
  .coming,
  .lost {
    font-size: 18px;
  }
  .wait h1 {
    font-size: 42px;
  }
}
</style>
