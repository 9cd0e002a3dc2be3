<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { useHandset } from './useHandset'

/** What the one on the table holds: big, dark, for one thumb, and unseen by the therapist. */
const props = defineProps<{ code: string }>()
const handset = useHandset(props.code)
const { on, lost, last, waiting } = handset
const wake = useWakeLock()
void wake.request('screen').catch(() => undefined)
const WORDS = [
  { word: 'tickles', label: 'Tickles' },
  { word: 'cold', label: 'Cold' },
  { word: 'too-much', label: 'Too much' },
] as const
</script>

<template>
  <v-theme-provider theme="night" with-background>
    <main class="handset">
      <p v-if="on === undefined" class="big soft" role="status">
        {{ lost ? 'No line to the school; trying again.' : '…' }}
      </p>
      <template v-else-if="!on">
        <h1>This is over</h1>
        <p class="big soft">Thank you. You can put the phone away, or ask for a new code.</p>
      </template>
      <template v-else>
        <h1 class="ask">How strong is it?</h1>
        <p class="last" role="status">
          {{ last ? `You said: ${last}` : '0 nothing · 10 the worst you can imagine' }}
          <span v-if="waiting" class="wait">{{ lost ? 'waits for the line' : 'sending' }}</span>
        </p>
        <div class="digits" role="group" aria-label="How strong is it, 0 to 10">
          <button
            v-for="n in 11"
            :key="n"
            class="digit"
            @click="handset.say({ number: n - 1 }, String(n - 1))"
          >
            {{ n - 1 }}
          </button>
        </div>
        <div class="words" role="group" aria-label="In a word">
          <button
            v-for="w in WORDS"
            :key="w.word"
            class="word"
            @click="handset.say({ word: w.word }, w.label.toLowerCase())"
          >
            {{ w.label }}
          </button>
        </div>
        <button class="stop" @click="handset.say({ word: 'stop' }, 'stop')">Stop</button>
      </template>
    </main>
  </v-theme-provider>
</template>

<style scoped>
.handset {
  min-height: 100dvh;
  background: var(--ground);
  color: var(--ink);
  padding: 12px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  user-select: none;
  touch-action: manipulation;
  max-width: 560px;
  margin: 0 auto;
}
h1 {
  font-size: 40px;
}
.ask {
  font-size: 24px;
}
.big {
  font-size: 22px;
}
.last {
  font-size: 20px;
  min-height: 30px;
}
.wait {
  color: var(--draping);
}
.digits {
  flex: 1;
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  grid-auto-rows: 1fr;
  gap: 8px;
}
/* Zero to the width of the thumb, below nothing and above all. */
.digit:first-child {
  grid-column: span 2;
}
.digit,
.word,
.stop {
  min-height: 64px;
  border: 1.5px solid var(--line);
  border-radius: 18px;
  background: var(--paper);
  color: var(--ink);
  font: 700 34px var(--text);
  cursor: pointer;
}
.digit:active,
.word:active {
  background: var(--order);
  color: var(--on-hue);
}
.words {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
}
.word {
  font-size: 21px;
}
.stop {
  min-height: 92px;
  background: #8c1d1d;
  border-color: #8c1d1d;
  color: #fff;
}
</style>
