<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'
import { useSession } from './useSession'

const session = useSession()
const route = useRoute()
const router = useRouter()
const signIn = ref('')
const password = ref('')
const { busy, failed: problem, during } = useCommand()

/** Focus at once and never later: a field that takes the focus when it comes into view takes it from somebody who types. */
const first = ref<{ focus(): void }>()
onMounted(() => first.value?.focus())

async function go() {
  await during(async () => {
    await session.signIn(signIn.value, password.value)
    const asked = typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/'
    const taken = session.takesToday[0]
    const to = asked === '/' && taken ? session.briefingOf(taken) : asked
    await router.push(session.staff ? to : '/me')
  })
}
</script>

<template>
  <div class="door">
    <form class="card" @submit.prevent="go">
      <div class="head">
        <img src="/mark.svg" alt="" width="56" height="56" />
        <div>
          <h1>Palm Tally</h1>
          <p class="soft">{{ session.session?.school }}</p>
        </div>
      </div>
      <v-text-field ref="first" v-model="signIn" label="Sign-in" autocomplete="username" hide-details />
      <v-text-field
        v-model="password"
        label="Password"
        type="password"
        autocomplete="current-password"
        hide-details
      />
      <Failed :of="problem" />
      <button class="push main" type="submit" :disabled="busy">Sign in</button>
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
  width: min(420px, 100%);
  display: flex;
  flex-direction: column;
  gap: 14px;
  padding: 24px;
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
}
.bad {
  color: var(--stop);
  font-weight: 600;
}
</style>
