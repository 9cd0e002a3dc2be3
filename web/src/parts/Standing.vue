<script setup lang="ts">
import type { Problem } from '@/api/client'
import { passing } from '@/api/useAgain'

/** How a page stands while it has nothing to show: loading, or failed with what to do. */
defineProps<{ problem?: Problem; loading: boolean }>()
defineEmits<{ again: [] }>()
</script>

<template>
  <div v-if="problem" class="card standing" role="alert">
    <h2>{{ problem.status === 403 ? 'Not open to your sign-in' : 'This did not work' }}</h2>
    <p>{{ problem.detail }}</p>
    <p v-if="passing(problem)" class="soft">It is tried again by itself.</p>
    <ul v-if="problem.faults.length > 1">
      <li v-for="f in problem.faults" :key="f.field">{{ f.field }} {{ f.reason }}</li>
    </ul>
    <button v-if="problem.status !== 403" class="push" @click="$emit('again')">Try again</button>
  </div>
  <p v-else-if="loading" class="standing soft" role="status">Reading…</p>
</template>

<style scoped>
.standing {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: flex-start;
}
</style>
