<script setup lang="ts">
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'

/** A grader whose duty is not open yet: why, and which run to mark. */
const session = useSession()
const { data } = useAsked(async () =>
  session.person?.role === 'grader' ? ask(api.GET('/api/practice-runs')) : undefined,
)
</script>

<template>
  <section v-if="data?.shut" class="card" role="status" aria-label="Your duty to grade">
    <p>
      <strong>{{ data.shut }}</strong>
    </p>
    <router-link
      v-for="r in data.runs"
      :key="r.id"
      class="push"
      :class="{ main: !r.compared }"
      :to="`/practice/${r.id}`"
      >{{ r.title }}{{ r.compared ? ', marked' : '' }}</router-link
    >
  </section>
</template>

<style scoped>
.card {
  border-color: var(--stop);
}
.push {
  margin: 0 8px 8px 0;
}
</style>
