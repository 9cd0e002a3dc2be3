<script setup lang="ts">
import { computed, ref } from 'vue'
import { mmss } from '@/parts/words'
import { eventWords } from './eventWords'
import { alternatives } from './fingers'
import type { Tap } from './queue'

/** The log, newest first: each tap can be taken back, put back, or said to have been another; both stay in the log. */
const props = defineProps<{
  taps: readonly Tap[]
  /** By the id of each tap that is taken back the undo that does it. */
  takenBack: Readonly<Record<string, string>>
  stepName: (id: string) => string
  readonly?: boolean
}>()
const emit = defineEmits<{
  undo: [ref: string]
  correct: [tap: Tap, data: Partial<Tap['data']>]
  moment: [seconds: number]
}>()
const changing = ref<string>()
const lines = computed(() =>
  props.taps
    .filter((t) => t.kind !== 'undo' && t.kind !== 'attend')
    .sort((a, b) => b.atMs - a.atMs || b.seq - a.seq)
    .map((t) => ({ tap: t, words: eventWords(t, props.stepName), gone: props.takenBack[t.id] })),
)
function change(tap: Tap, data: Partial<Tap['data']>) {
  emit('correct', tap, data)
  changing.value = undefined
}
</script>

<template>
  <ol class="log" aria-label="What was tapped, newest first">
    <li v-for="l in lines" :key="l.tap.id" :class="{ gone: l.gone }">
      <button
        class="when"
        :aria-label="`Go to ${mmss(l.tap.atMs / 1000)}`"
        @click="emit('moment', l.tap.atMs / 1000)"
      >
        {{ mmss(l.tap.atMs / 1000) }}
      </button>
      <span class="words">{{ l.words.replace(/^\S+ /, '') }}</span>
      <template v-if="readonly" />
      <template v-else-if="l.gone">
        <button class="push" @click="emit('undo', l.gone)">Put back</button>
      </template>
      <template v-else>
        <button
          v-if="alternatives(l.tap).length"
          class="push"
          :aria-expanded="changing === l.tap.id"
          @click="changing = changing === l.tap.id ? undefined : l.tap.id"
        >
          It was…
        </button>
        <button v-if="l.tap.kind !== 'finish'" class="push" @click="emit('undo', l.tap.id)">Take back</button>
      </template>
      <div v-if="changing === l.tap.id" class="others">
        <button v-for="a in alternatives(l.tap)" :key="a.label" class="push" @click="change(l.tap, a.data)">
          {{ a.label }}
        </button>
      </div>
    </li>
    <li v-if="lines.length === 0" class="soft">Nothing was tapped yet.</li>
  </ol>
</template>

<style scoped>
.log {
  list-style: none;
  margin: 0;
  padding: 0;
  /* The log is long; what stands around it stays in sight. */
  flex: 0 1 auto;
  min-height: 0;
  max-height: 52vh;
  overflow-y: auto;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  min-height: 48px;
  border-bottom: 1px solid var(--line);
}
.when {
  min-width: 56px;
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--ink);
  font: 700 15px var(--text);
  text-align: left;
  cursor: pointer;
}
.words {
  flex: 1 1 200px;
}
.gone .words {
  text-decoration: line-through;
  color: var(--ink-soft);
}
.others {
  flex-basis: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding-bottom: 8px;
}
</style>
