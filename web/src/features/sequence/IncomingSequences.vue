<script setup lang="ts">
import type { Schema } from '@/api/client'

/** What a file of sequences would change, before any of it is taken. */
defineProps<{ coming: Schema['IncomingLine'][] }>()
defineEmits<{ take: []; leave: [] }>()
const EFFECT = { new: 'new', changed: 'would change', same: 'says the same' } as const
</script>

<template>
  <section class="card" aria-label="What the file would change">
    <h2>What the file would change</h2>
    <ul class="coming">
      <li v-for="l in coming" :key="l.id">
        <strong>{{ l.name }}</strong> <span class="soft">{{ l.steps }} steps, {{ EFFECT[l.effect] }}</span>
        <p v-if="l.brings.length">Brings techniques this school does not have: {{ l.brings.join(', ') }}.</p>
        <ul v-if="l.changes.length">
          <li v-for="c in l.changes" :key="c">{{ c }}</li>
        </ul>
      </li>
    </ul>
    <button class="push main" @click="$emit('take')">Take all of it</button>
    <button class="push" @click="$emit('leave')">Leave it</button>
  </section>
</template>
