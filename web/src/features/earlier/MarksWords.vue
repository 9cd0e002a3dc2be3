<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { type Column, ofWord, wordsOf } from './earlier'

/** What each word is worth that stands for a mark, once for all columns. */
const props = defineProps<{ seen: Schema['MarksPreview'] }>()
const emit = defineEmits<{ say: [columns: Column[]] }>()
const columns = computed(() => props.seen.mapping.columns)
const words = computed(() => wordsOf(columns.value, props.seen.wordsWithoutWorth))
function worth(word: string, event: Event) {
  const typed = (event.target as HTMLInputElement).value.trim()
  const value = Number(typed.replace(',', '.'))
  if (Number.isFinite(value)) emit('say', ofWord(columns.value, word, typed === '' ? null : value))
}
</script>

<template>
  <section v-if="words.length" class="card" aria-label="Words">
    <h2>What a word is worth</h2>
    <p class="soft">Points from 0 to 100, in every column. Left empty, it is no mark.</p>
    <div class="words">
      <label v-for="w in words" :key="w.word" class="field" :class="{ unsaid: w.unsaid }"
        ><b>{{ w.word }}</b>
        <input
          inputmode="decimal"
          :value="w.points ?? ''"
          :aria-label="`Points of ${w.word}`"
          :placeholder="w.unsaid ? 'say' : 'none'"
          @change="worth(w.word, $event)"
        />
      </label>
    </div>
  </section>
</template>

<style scoped>
.words {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
}
input {
  width: 72px;
}
.unsaid b {
  color: var(--stop);
}
</style>
