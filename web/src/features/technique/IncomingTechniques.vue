<script setup lang="ts">
import type { Schema } from '@/api/client'

/** What a file of techniques would change, before any of it is taken. */
defineProps<{ changes: Schema['TechniqueChanges'] }>()
defineEmits<{ take: []; leave: [] }>()
</script>

<template>
  <section class="card" aria-label="What the file would change">
    <h2>What the file would change</h2>
    <p>
      {{
        [
          ...changes.techniques
            .filter((c) => c.changes)
            .map((c) => (c.added ? `${c.name} is new` : `${c.name} changes`)),
          ...changes.hands.map((h) => `${h}, a word for a hand`),
        ].join(' · ') || 'Nothing: it says the same.'
      }}
    </p>
    <button class="push main" @click="$emit('take')">Take all of it</button>
    <button class="push" @click="$emit('leave')">Leave it</button>
  </section>
</template>
