<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'

/** Sign-ins that were just made: passwords are told here and never again. */
const props = defineProps<{ sheets: Schema['SignInSheet'][] }>()
defineEmits<{ close: [] }>()

const quoted = (text: string) => (/[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text)
const csv = computed(() =>
  [['name', 'sign-in', 'password'], ...props.sheets.map((s) => [s.name, s.signIn, s.password ?? ''])]
    .map((row) => row.map(quoted).join(','))
    .join('\r\n'),
)
const href = computed(() => `data:text/csv;charset=utf-8,${encodeURIComponent(csv.value)}`)
const made = computed(() => props.sheets.filter((s) => s.password).length)
</script>

<template>
  <section class="card" aria-label="New sign-ins">
    <h2>{{ made ? 'Told once: hand these out now' : 'Everybody had a sign-in already' }}</h2>
    <table class="lines">
      <thead>
        <tr>
          <th>Name</th>
          <th>Sign-in</th>
          <th>Password</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in sheets" :key="s.id">
          <td>{{ s.name }}</td>
          <td>{{ s.signIn }}</td>
          <td class="secret">{{ s.password ?? 'as before' }}</td>
        </tr>
      </tbody>
    </table>
    <div class="acts">
      <a class="push" :href="href" download="sign-ins.csv">Save as a table</a>
      <button class="push main" @click="$emit('close')">Handed out</button>
    </div>
  </section>
</template>

<style scoped>
section {
  border: 2px solid var(--ink);
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.secret {
  font-weight: 700;
  white-space: nowrap;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
