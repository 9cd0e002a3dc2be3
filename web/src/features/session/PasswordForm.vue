<script setup lang="ts">
import { reactive, ref } from 'vue'
import { api, ask, type Problem } from '@/api/client'

/** One's own password. */
const form = reactive({ old: '', password: '' })
const failed = ref<Problem>()
const done = ref(false)
const fault = (field: string) => failed.value?.faults.find((f) => f.field === field)?.reason

async function store() {
  failed.value = undefined
  done.value = false
  try {
    await ask(api.POST('/api/session/password', { body: { ...form } }))
    Object.assign(form, { old: '', password: '' })
    done.value = true
  } catch (e) {
    failed.value = e as Problem
  }
}
</script>

<template>
  <form class="card" aria-label="My password" @submit.prevent="store">
    <h2>My password</h2>
    <v-text-field
      v-model="form.old"
      label="Password now"
      type="password"
      autocomplete="current-password"
      hide-details="auto"
      :error-messages="fault('old')"
    />
    <v-text-field
      v-model="form.password"
      label="New password, 10 characters or more"
      type="password"
      autocomplete="new-password"
      hide-details="auto"
      :error-messages="fault('password')"
    />
    <button class="push main">Change it</button>
    <p v-if="done" role="status">Changed.</p>
    <p v-if="failed && !failed.faults.length" role="alert" class="bad">{{ failed.detail }}</p>
  </form>
</template>

<style scoped>
form {
  max-width: 420px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.bad {
  color: var(--stop);
}
</style>
