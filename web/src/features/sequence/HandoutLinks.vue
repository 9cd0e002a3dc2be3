<script setup lang="ts">
import { PAPERS, usePaper } from '@/parts/usePaper'
import ChoiceField from '@/parts/ChoiceField.vue'

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
    <ChoiceField v-model="paper" label="Paper" bare :options="PAPERS" />
  </span>
</template>

<style scoped>
.handout {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
</style>
