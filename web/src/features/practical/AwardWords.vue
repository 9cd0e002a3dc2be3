<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import type { Criterion } from '@/parts/criteria'
import { mmss } from '@/parts/words'
import { phrasesFor } from './phrases'

/** Words for the student, each at the moment where the playhead stands; phrases fit the finger that is opened. */
const props = defineProps<{
  opened: Criterion
  criterion?: Schema['CriterionView']
  moment?: number
}>()
const emit = defineEmits<{ moment: [seconds: number] }>()
const remarks = defineModel<{ atMs?: number; text: string }[]>({ required: true })
/** Phrases this grader keeps on this device. */
const own = useStorage<string[]>('palm-phrases', [])
const words = ref('')
const phrases = computed(() => [...phrasesFor(props.opened, props.criterion), ...own.value])
const now = computed(() => (props.moment === undefined ? undefined : Math.round(1000 * props.moment)))
/** Words go to where the playhead stands; without one they are about the whole. */
function remark(text: string, atMs = now.value) {
  if (!text.trim() || remarks.value.some((r) => r.text === text && r.atMs === atMs)) return
  remarks.value = [...remarks.value, { atMs, text: text.trim() }].sort(
    (a, b) => (a.atMs ?? -1) - (b.atMs ?? -1),
  )
}
function say() {
  remark(words.value)
  words.value = ''
}
function keepPhrase() {
  const text = words.value.trim()
  if (text && !phrases.value.includes(text)) own.value = [...own.value, text]
  say()
}
defineExpose({ remark })
</script>

<template>
  <section aria-label="Words at their moments">
    <h3>Words {{ moment === undefined ? 'for the whole run' : `at ${mmss(moment)}` }}</h3>
    <div class="chips">
      <button v-for="p in phrases" :key="p" class="push chip" @click="remark(p)">{{ p }}</button>
    </div>
    <div class="two">
      <input
        v-model="words"
        maxlength="400"
        placeholder="Own words"
        aria-label="Own words"
        @keydown.enter="say"
      />
      <button class="push" :disabled="!words.trim()" @click="say">Add</button>
      <button class="push" :disabled="!words.trim()" @click="keepPhrase">Keep as a phrase</button>
    </div>
    <ul v-if="remarks.length" class="said">
      <li v-for="(r, i) in remarks" :key="i">
        <button v-if="r.atMs !== undefined" class="ev" @click="emit('moment', r.atMs / 1000)">
          {{ mmss(r.atMs / 1000) }}
        </button>
        <span>{{ r.text }}</span>
        <button
          class="push"
          :aria-label="`Take “${r.text}” out`"
          @click="remarks = remarks.filter((_, j) => j !== i)"
        >
          ×
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped src="./award.css"></style>
<style scoped src="./awardForm.css"></style>
