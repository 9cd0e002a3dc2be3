<script setup lang="ts">
import type { Schema } from '@/api/client'
import { profileScopeValues as LEVELS } from '@/api/schema'
import { word } from '@/parts/words'

type Topic = Schema['TopicView']

/** What may be beyond scope: for each topic how far this school goes. */
defineProps<{ topics: Topic[]; whoDecides: string; chosen: (topic: Topic) => string }>()
defineEmits<{ change: [topic: Topic, level: string] }>()
</script>

<template>
  <section class="card" aria-label="What may be beyond scope">
    <h2>What may be beyond scope</h2>
    <p class="law">{{ whoDecides }}</p>
    <div v-for="t in topics" :key="t.id" class="one" role="group" :aria-label="t.name">
      <h3>{{ t.name }}</h3>
      <p class="soft small">⚠ {{ t.caution }}</p>
      <div class="options">
        <button
          v-for="l in LEVELS"
          :key="l"
          class="push"
          :class="{ main: chosen(t) === l }"
          :aria-pressed="chosen(t) === l"
          @click="$emit('change', t, l)"
        >
          {{ word(l) }}
        </button>
      </div>
    </div>
  </section>
</template>

<style scoped src="./profile.css"></style>
