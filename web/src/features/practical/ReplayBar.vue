<script setup lang="ts">
import { onKeyStroke, useRafFn } from '@vueuse/core'
import { ref } from 'vue'
import { mmss } from '@/parts/words'

/** Runs the playhead over the strip, as fast as somebody can follow. */
const moment = defineModel<number | undefined>({ required: true })
const props = defineProps<{ seconds: number }>()
const SPEEDS = [1, 4, 16, 64] as const
const speed = ref<(typeof SPEEDS)[number]>(16)
const playing = ref(false)

const loop = useRafFn(
  ({ delta }) => {
    const at = (moment.value ?? 0) + (delta / 1000) * speed.value
    moment.value = Math.min(props.seconds, at)
    if (at >= props.seconds) stop()
  },
  { immediate: false },
)
function stop() {
  playing.value = false
  loop.pause()
}
function play() {
  if (playing.value) return stop()
  if ((moment.value ?? 0) >= props.seconds) moment.value = 0
  playing.value = true
  loop.resume()
}
onKeyStroke(' ', (e) => {
  if ((e.target as HTMLElement).closest('input, textarea, select, button, a, [role="dialog"]')) return
  e.preventDefault()
  play()
})
</script>

<template>
  <div class="replay" role="group" aria-label="Replay">
    <button class="push" :aria-pressed="playing" @click="play">
      {{ playing ? 'Pause' : 'Play' }} <span class="key">space</span>
    </button>
    <button
      v-for="s in SPEEDS"
      :key="s"
      class="push"
      :class="{ main: speed === s }"
      :aria-pressed="speed === s"
      @click="speed = s"
    >
      ×{{ s }}
    </button>
    <input
      type="range"
      min="0"
      :max="Math.round(seconds)"
      :value="Math.round(moment ?? 0)"
      aria-label="Moment of the run"
      :aria-valuetext="mmss(moment ?? 0)"
      @input="moment = Number(($event.target as HTMLInputElement).value)"
    />
    <span class="at" role="timer">{{ mmss(moment ?? 0) }} of {{ mmss(seconds) }}</span>
  </div>
</template>

<style scoped>
.replay {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.replay .push {
  min-width: 52px;
}
input {
  flex: 1;
  min-width: 80px;
  min-height: var(--target);
  accent-color: var(--ink);
}
.at {
  font-weight: 650;
}
</style>
