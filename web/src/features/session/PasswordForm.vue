<script setup lang="ts">
import { reactive, ref } from 'vue'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'

/** One's own password. */
const form = reactive({ old: '', password: '' })
const { failed, during } = useCommand()
const done = ref(false)
const fault = (field: string) => failed.value?.faults.find((f) => f.field === field)?.reason

async function store() {
  done.value = false
  await during(async () => {
    await ask(api.POST('/api/session/password', { body: { ...form } }))
    Object.assign(form, { old: '', password: '' })
    done.value = true
  })
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
