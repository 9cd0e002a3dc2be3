<script setup lang="ts">
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import HoursOf from './HoursOf.vue'

/** A student's own hours; nothing where there are none to show. */
const { data } = useAsked(() => ask(api.GET('/api/me/hours')))
</script>

<template>
  <section v-for="h in data" :key="h.term" class="card" aria-label="My hours">
    <h2>My hours</h2>
    <p class="soft">Filled: counts so far. Striped: the labs that are still to come, if you miss none.</p>
    <p v-for="f in h.hours.findings" :key="f.rule + f.kind">{{ f.sentence }}</p>
    <HoursOf :hours="h.hours" />
  </section>
</template>

<style scoped>
.card {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
</style>
