<script setup lang="ts">
import { usePaper } from '@/parts/usePaper'

/** A sequence on paper: with all words, as pictures to prop beside the table, or all of it in its order on one page. */
defineProps<{ id: string }>()
const paper = usePaper()
const DENSITIES = [
  { id: 'words', name: 'With words' },
  { id: 'cards', name: 'Picture cards' },
  { id: 'order', name: 'Order on one page' },
]
</script>

<template>
  <span class="handout" role="group" aria-label="Handout">
    <strong>Handout</strong>
    <a
      v-for="d in DENSITIES"
      :key="d.id"
      class="push"
      :href="`/api/sequences/${id}/handout?paper=${paper}&density=${d.id}`"
      target="_blank"
      >{{ d.name }}</a
    >
    <select v-model="paper" aria-label="Paper">
      <option value="a4">A4</option>
      <option value="letter">Letter</option>
    </select>
  </span>
</template>

<style scoped>
.handout {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
select {
  min-height: var(--target);
  padding: 0 8px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  color: var(--ink);
  font: 500 15px var(--text);
}
</style>
