<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import JoinAddress from '@/parts/JoinAddress.vue'
import Standing from '@/parts/Standing.vue'
import { mmss } from '@/parts/words'
import LegStrip from './LegStrip.vue'
import { onKeys } from './onKeys'
import RoundStage from './RoundStage.vue'
import { useChime } from './useChime'
import { useRound } from './useRound'

const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const round = useRound(props.id)
const { view, live, problem, waiting, place, legs } = round
const wake = useWakeLock()
void wake.request('screen').catch(() => undefined)

const panel = ref<'screen' | 'keys'>()
const begun = computed(() => place.value.leg >= 0)
const finished = computed(() => legs.value.length > 0 && place.value.leg >= legs.value.length)
const { on: chime } = useChime(() => (begun.value ? place.value.leg : undefined))
const toGo = computed(() => {
  const s = live.value?.standing.seconds ?? []
  return (
    s.slice(Math.max(0, place.value.leg)).reduce((a, b) => a + b, 0) - (begun.value ? place.value.into : 0)
  )
})
const leave = () => void router.push('/show')
onKeys([' ', 'ArrowRight', 'ArrowDown', 'PageDown', 'Enter'], () =>
  panel.value ? (panel.value = undefined) : !finished.value && round.next(),
)
onKeys(['ArrowLeft', 'ArrowUp', 'PageUp'], () => round.back())
onKeys(['p', 'b', '.'], round.pause)
onKeys(['+', '='], () => round.longer(60))
onKeys('-', () => round.longer(-60))
onKeys('m', () => (chime.value = !chime.value))
onKeys('c', () => (panel.value = panel.value === 'screen' ? undefined : 'screen'))
onKeys('?', () => (panel.value = panel.value === 'keys' ? undefined : 'keys'))
onKeys('Escape', () => (panel.value ? (panel.value = undefined) : leave()))
const KEYS = [
  ['Space → ↓ Page down', 'the next part, before its time'],
  ['← ↑ Page up', 'the part before again'],
  ['P or .', 'pause, go on'],
  ['+ −', 'a minute more, a minute less'],
  ['M', 'chime at changes'],
  ['C', 'address of the class screen'],
  ['Esc', 'leave'],
]
</script>

<template>
  <v-theme-provider theme="night" with-background>
    <div class="show" @click="panel = undefined">
      <div v-if="!view || !live" class="alone">
        <Standing :problem="problem as never" :loading="!problem" @again="round.again" />
      </div>
      <template v-else>
        <header>
          <button class="push quiet" aria-label="Leave the round" @click.stop="leave">←</button>
          <span class="what">Practice round</span>
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
          <span v-if="!finished" class="clock" role="timer">{{ mmss(toGo) }} to go</span>
        </header>
        <div v-if="finished" class="done">
          <h1>Round over</h1>
          <p class="big">{{ view.round.name }}, {{ view.round.tables.length }} tables.</p>
          <button class="push main" @click.stop="leave">Back to Show</button>
        </div>
        <RoundStage v-else :round="view.round" :live="live" :place="place" />
        <JoinAddress
          v-if="panel === 'screen'"
          class="panel"
          name="Class screen"
          :path="`/class/${view.screen}`"
          words="Any phone or the projector’s computer opens it without a sign-in and follows."
        >
          <button class="push" @click="round.newAddress">New address</button>
        </JoinAddress>
        <div v-else-if="panel === 'keys'" class="panel card" role="dialog" aria-label="Keys" @click.stop>
          <dl class="keys">
            <template v-for="[k, what] in KEYS" :key="k">
              <dt>{{ k }}</dt>
              <dd>{{ what }}</dd>
            </template>
          </dl>
        </div>
        <footer v-if="!finished">
          <div class="coming">
            <span class="grow" />
            <template v-if="begun">
              <button class="push" @click.stop="round.longer(60)">+ 1 min</button>
              <button class="push" @click.stop="round.longer(-60)">− 1 min</button>
              <button class="push" :aria-pressed="live.standing.paused" @click.stop="round.pause">
                {{ live.standing.paused ? 'Go on' : 'Pause' }}
              </button>
            </template>
            <button class="push" :aria-pressed="chime" @click.stop="chime = !chime">Chime</button>
            <button v-if="begun" class="push" :disabled="place.leg === 0" @click.stop="round.back()">
              Back
            </button>
            <button class="push main" @click.stop="round.next()">
              {{ !begun ? 'Start' : place.leg === legs.length - 1 ? 'End' : 'Next' }}
            </button>
          </div>
          <LegStrip
            :legs="legs"
            :seconds="live.standing.seconds"
            :current="place.leg"
            touchable
            @go="round.go"
          />
          <p class="law">{{ session.catalogue?.law }}</p>
        </footer>
      </template>
    </div>
  </v-theme-provider>
</template>

<style scoped src="./night.css"></style>
