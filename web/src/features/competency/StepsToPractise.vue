<script setup lang="ts">
import type { Schema } from '@/api/client'
import StepOfPlan from '@/features/practical/StepOfPlan.vue'
import { day } from '@/parts/words'

/** What went wrong when it was last looked at, as pictures of how it goes; each leads to where it was seen. */
defineProps<{ steps: readonly Schema['ToPractise'][] }>()
</script>

<template>
  <section v-if="steps.length" class="card" aria-label="To practise">
    <h2>To practise <span class="soft">what was wrong when it was last seen</span></h2>
    <ul>
      <li v-for="s in steps" :key="s.sequence + s.step">
        <router-link :to="{ path: `/review/${s.practical}`, query: { step: s.step } }">
          <StepOfPlan :practical="s.practical" :step="s.step" :name="s.name" still />
          <strong>{{ s.name }}</strong>
          <span class="why">{{ s.why.join(', ') }}</span>
          <span class="soft">{{ s.sequence }}, {{ day(s.at) }}</span>
        </router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 14px;
}
/* Two beside one another on a phone: six below one another hide the rest of the page. */
@media (max-width: 760px) {
  ul {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
a {
  display: flex;
  flex-direction: column;
  gap: 2px;
  color: inherit;
  text-decoration: none;
  font-size: 14px;
  line-height: 1.3;
}
strong {
  font-size: 15px;
}
.why {
  color: var(--warn);
  font-weight: 650;
}
a :deep(.facts) {
  display: none;
}
</style>
