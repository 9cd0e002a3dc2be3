<script setup lang="ts">
import { computed } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { counted } from '@/parts/words'
import SecondLookShown from './SecondLookShown.vue'

/** All second looks of the school for its lead: those that wait first; and for how many days they may be asked for. */
const { data, problem, loading, again } = useAsked(() => ask(api.GET('/api/second-looks')))
const { busy, failed, during } = useCommand()
const waiting = computed(() => data.value?.looks.filter((l) => l.state === 'waits') ?? [])
const past = computed(() => data.value?.looks.filter((l) => l.state !== 'waits') ?? [])
const setDays = (days: number) =>
  during(async () => {
    data.value = await ask(api.PUT('/api/school/second-look-days', { body: { days } }))
  })
</script>

<template>
  <section class="card" aria-label="Second looks">
    <h2>Second looks</h2>
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <template v-if="data">
      <label class="days"
        >A student may ask for one within
        <input
          type="number"
          min="0"
          max="365"
          :value="data.days"
          :disabled="busy"
          @change="setDays(Number(($event.target as HTMLInputElement).value))"
        />
        days of the mark; 0 for never.</label
      >
      <Failed :of="failed" />
      <p v-if="!data.looks.length" class="soft">Nobody asked for one.</p>
      <template v-if="waiting.length">
        <p>
          <strong
            >{{ counted(waiting.length, 'second look') }} {{ waiting.length === 1 ? 'waits' : 'wait' }} for
            you.</strong
          >
        </p>
        <div v-for="l in waiting" :key="l.id" class="one">
          <SecondLookShown :look="l" />
          <router-link class="push main" :to="`/review/${l.practical}`"
            >Look at {{ l.sequence }} and decide</router-link
          >
        </div>
      </template>
      <details v-if="past.length" :open="!waiting.length">
        <summary>{{ counted(past.length, 'second look') }} decided or taken back</summary>
        <div v-for="l in past" :key="l.id" class="one">
          <SecondLookShown :look="l" />
          <router-link :to="`/review/${l.practical}`">{{ l.sequence }}, seen by {{ l.grader }}</router-link>
        </div>
      </details>
    </template>
  </section>
</template>

<style scoped>
.days input {
  width: 76px;
  min-height: var(--target);
  border: 1.5px solid var(--edge);
  border-radius: 10px;
  padding: 4px 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}
.one {
  border-top: 1px solid var(--line);
  padding: 4px 0 10px;
}
summary,
.one > a:not(.push) {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
  cursor: pointer;
}
</style>
