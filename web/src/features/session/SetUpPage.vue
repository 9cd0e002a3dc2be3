<script setup lang="ts">
import { onMounted, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useCommand } from '@/api/useCommand'
import { useSession } from './useSession'

const session = useSession()
const router = useRouter()
const form = reactive({ word: '', school: '', name: '', signIn: '', password: '' })
const { failed: problem, during } = useCommand()
const fault = (field: string) => problem.value?.faults.find((f) => f.field === field)?.reason

async function go() {
  await during(async () => {
    await session.setUp(form)
    await router.push('/school#terms')
  })
}
/** At once and never later, so that it is not taken from somebody who types. */
const first = ref<{ focus(): void }>()
onMounted(() => first.value?.focus())
</script>

<template>
  <div class="door">
    <form class="card" @submit.prevent="go">
      <h1>Your school</h1>
      <p class="soft">The first visit makes the school and its lead. The lead adds everybody else.</p>
      <v-text-field
        ref="first"
        v-model="form.word"
        label="Word that was printed at the start"
        autocomplete="off"
        :error-messages="fault('word')"
      />
      <v-text-field v-model="form.school" label="Name of the school" :error-messages="fault('school')" />
      <v-text-field
        v-model="form.name"
        label="Your name"
        autocomplete="name"
        :error-messages="fault('name')"
      />
      <v-text-field
        v-model="form.signIn"
        label="Sign-in"
        autocomplete="username"
        :error-messages="fault('signIn')"
      />
      <v-text-field
        v-model="form.password"
        label="Password, 10 characters or more"
        type="password"
        autocomplete="new-password"
        :error-messages="fault('password')"
      />
      <p v-if="problem && problem.faults.length === 0" role="alert" class="bad">{{ problem.detail }}</p>
      <button class="push main" type="submit">Make the school</button>
    </form>
  </div>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: 20px;
}
form {
  width: min(460px, 100%);
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 24px;
}
.bad {
  color: var(--stop);
  font-weight: 600;
}
</style>
