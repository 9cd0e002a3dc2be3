<script setup lang="ts">
import type { Schema } from '@/api/client'
import LabChooser from './LabChooser.vue'

/** The head of what is about one lab: which one, and the other things there are to it. */
defineProps<{ title: string; labs: Schema['LabLine'][]; here: 'briefing' | 'door' | 'partners' }>()
const chosen = defineModel<string>({ required: true })
const PAGES = [
  { id: 'briefing', name: 'Briefing' },
  { id: 'door', name: 'At the door' },
  { id: 'partners', name: 'Partners' },
] as const
</script>

<template>
  <div class="top">
    <h1>{{ title }}</h1>
    <LabChooser v-model="chosen" :labs="labs" />
    <span class="grow" />
    <template v-for="p in PAGES" :key="p.id">
      <router-link v-if="p.id !== here" class="push" :to="`/${p.id}?lab=${chosen}`">{{ p.name }}</router-link>
    </template>
    <slot />
  </div>
</template>
