<script setup lang="ts">
import { ref } from 'vue'
import type { Schema } from '@/api/client'
import { swapped } from './round'

/** Who is with whom at which table, as it was found; two touches change two places. */
const props = defineProps<{
  preview: Pick<Schema['RoundPreview'], 'tables' | 'repeats'>
  /** It was so, and is not to come. */ sat?: boolean
}>()
const emit = defineEmits<{ seats: [seats: string[][]] }>()
const picked = ref<string>()
const nameOf = (id: string) => props.preview.tables.flat().find((s) => s.id === id)?.name ?? ''
/** Two touches change two places. */
function touch(id: string) {
  if (!picked.value || picked.value === id) {
    picked.value = picked.value === id ? undefined : id
    return
  }
  const tables = props.preview.tables.map((t) => t.map((s) => s.id))
  emit('seats', swapped(tables, picked.value, id))
  picked.value = undefined
}
</script>

<template>
  <h2>Who is with whom</h2>
  <p class="soft small">
    {{
      picked
        ? `Touch who changes places with ${nameOf(picked)}.`
        : sat
          ? 'Touch two names to change them.'
          : preview.repeats
            ? `${preview.repeats} partners have met before this term; nobody has met less.`
            : 'Nobody has been with this partner before this term. Touch two names to change them.'
    }}
  </p>
  <ol class="tables">
    <li v-for="(t, i) in preview.tables" :key="i">
      <span class="number">{{ i + 1 }}</span>
      <button v-for="s in t" :key="s.id" class="push" :aria-pressed="picked === s.id" @click="touch(s.id)">
        {{ s.name }}
      </button>
    </li>
  </ol>
</template>

<style scoped>
.tables {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 8px;
  grid-template-columns: repeat(auto-fill, minmax(min(300px, 100%), 1fr));
}
.tables li {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.tables .push[aria-pressed='true'] {
  background: var(--order);
  color: var(--on-hue);
}
.number {
  font: 700 18px/36px var(--text);
  width: 36px;
  height: 36px;
  border-radius: 50%;
  background: var(--ground);
  text-align: center;
}
</style>
