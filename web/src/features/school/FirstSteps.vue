<script setup lang="ts">
import type { FirstStep } from './useFirstSteps'

/** What a new school does first: what is done, what comes next, and the way there. */
defineProps<{ steps: FirstStep[]; next: FirstStep; here: boolean }>()
defineEmits<{ later: [] }>()
</script>

<template>
  <aside class="first" aria-label="First steps">
    <ol>
      <li v-for="(s, i) in steps" :key="s.id" :class="{ next: s === next }">
        <span aria-hidden="true">{{ s.done ? '✓' : i + 1 }}</span> {{ s.name
        }}<span v-if="s.done" class="sr">, done</span>
      </li>
    </ol>
    <p role="status">{{ here ? next.here : '' }}</p>
    <router-link v-if="!here" class="push" :to="next.to">{{ next.go }}</router-link>
    <button class="push quiet" @click="$emit('later')">Later</button>
  </aside>
</template>

<style scoped>
.first {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 8px 20px;
  background: var(--paper);
  border-top: 1px solid var(--line);
}
ol {
  display: flex;
  gap: 14px;
  list-style: none;
  padding: 0;
  margin: 0;
  font-size: 14px;
  color: var(--ink-soft);
  white-space: nowrap;
}
li > span:first-child {
  font-weight: 700;
}
.next {
  color: var(--ink);
  font-weight: 700;
}
p {
  flex: 1;
  margin: 0;
  font-size: 15px;
}
.first .push {
  white-space: nowrap;
}
.first .quiet {
  border-color: var(--line);
  font-weight: 500;
}
@media (max-width: 640px) {
  .first {
    flex-wrap: wrap;
    gap: 2px 10px;
    padding: 6px 12px;
    align-content: center;
  }
  ol {
    flex-basis: 100%;
    gap: 12px;
  }
  p {
    flex: 1 1 0;
    font-size: 14px;
    line-height: 1.25;
  }
}
</style>
