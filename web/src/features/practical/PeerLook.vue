<script setup lang="ts">
import { computed, onMounted, onScopeDispose } from 'vue'
import type { Schema } from '@/api/client'
import { asksWatched } from '@/core/askTaps'
import { mmss } from '@/parts/words'
import { PICKS, type Pick } from './fingers'
import { indexedTaps } from './queue'
import { useTaps } from './useTaps'

/** One look: few things, each easy to see from beside the table; taps are kept on the phone until the school has them. */
const props = defineProps<{ look: Schema['Watching'] }>()
const emit = defineEmits<{ done: [] }>()
const taps = useTaps(props.look.id, indexedTaps(), asksWatched(props.look))
const due = computed(() => (taps.progress.value.lookFrom ?? Infinity) <= taps.now.value)
const body = PICKS.mechanics.filter((p) => p.kind === 'look')
const SAID = ['say-pressure-questionopen', 'say-choice', 'say-warns', 'say-explains', 'say-closing']
const words = PICKS.communication.filter((p) => SAID.includes(p.id))
const sheet = PICKS.draping.filter((p) => ['sheet-clean', 'sheet-loose', 'sheet-left-open'].includes(p.id))
const count = (p: Pick) =>
  taps.counting.value.filter(
    (t) =>
      t.kind === p.kind &&
      Object.entries(p.data).every(([f, v]) => String(t.data[f as keyof typeof t.data]) === String(v)),
  ).length
function pick(p: Pick) {
  void taps.tap(p.kind, p.kind === 'look' ? { ...p.data, asked: due.value } : p.data)
}
async function finish() {
  await taps.attend(false)
  await taps.tap('finish')
  emit('done')
}
onMounted(async () => {
  await taps.open({ ...props.look, finished: false })
  await taps.attend(true)
})
onScopeDispose(() => void taps.attend(false))
</script>

<template>
  <div class="peer">
    <div class="top">
      <h1>{{ look.student }}</h1>
      <span class="soft">table {{ look.tableNumber }} · {{ look.sequence }}</span>
      <span class="clock" role="timer">{{ mmss(taps.now.value / 1000) }}</span>
    </div>
    <p class="cue" :class="{ hot: due }" role="status">
      {{ due ? 'Look now: how do they stand?' : 'You see, you do not judge: write down what you saw.' }}
    </p>
    <div class="picks mechanics" role="group" aria-label="Body mechanics">
      <button v-for="p in body" :key="p.id" class="push" :class="{ main: p.main && due }" @click="pick(p)">
        {{ p.label }}<small v-if="count(p)">{{ count(p) }}</small>
      </button>
    </div>
    <div class="picks communication" role="group" aria-label="Client communication">
      <button v-for="p in words" :key="p.id" class="push" @click="pick(p)">
        {{ p.label }}<small v-if="count(p)">{{ count(p) }}</small>
      </button>
    </div>
    <div class="picks draping" role="group" aria-label="Draping">
      <button v-for="p in sheet" :key="p.id" class="push" @click="pick(p)">
        {{ p.label }}<small v-if="count(p)">{{ count(p) }}</small>
      </button>
    </div>
    <div class="foot">
      <span v-if="taps.waiting.value" class="hot"
        >{{ taps.waiting.value }} not stored yet, kept on this phone</span
      >
      <span v-else class="good">stored</span>
      <button class="push" @click="taps.undo()">Undo</button>
      <button class="push main" @click="finish">Done</button>
    </div>
    <p class="law">
      A peer’s look is a quarter of a grader’s, and counts once the instructor has looked at it.
    </p>
  </div>
</template>

<style scoped>
.peer {
  max-width: 620px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.top {
  flex-wrap: wrap;
}
.clock {
  font: 700 28px/1 var(--text);
  margin-left: auto;
}
.cue {
  font-size: 17px;
}
.hot {
  color: var(--stop);
  font-weight: 700;
}
.good {
  color: var(--good);
  font-weight: 650;
}
.picks {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
}
.picks .push {
  min-height: 60px;
  padding: 4px 6px;
  gap: 6px;
}
.mechanics .push {
  border-color: var(--mechanics);
}
.communication .push {
  border-color: var(--communication);
}
.draping .push {
  border-color: var(--draping);
}
.foot {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: flex-end;
}
</style>
