<script setup lang="ts">
import { capital } from './words'

/** One thing the checks say: how grave, which rule, why, and the button that mends it. */
defineProps<{
  finding: { severity: string; rule: string; sentence: string; remedy: string }
  /** What the button of its mend says; absent where there is none. */
  mend?: string
  busy?: boolean
}>()
defineEmits<{ open: []; mend: [] }>()
</script>

<template>
  <article :class="finding.severity">
    <h3>
      <button class="plain" @click="$emit('open')">
        {{ capital(finding.severity) }} <span class="rule">{{ finding.rule }}</span>
      </button>
    </h3>
    <p>{{ finding.sentence }}</p>
    <p class="soft small">{{ finding.remedy }}</p>
    <button v-if="mend" class="push" :disabled="busy" @click="$emit('mend')">{{ mend }}</button>
  </article>
</template>

<style scoped>
article {
  border-left: 5px solid var(--hint);
  padding-left: 12px;
  display: flex;
  flex-direction: column;
  gap: 6px;
  align-items: flex-start;
}
article.stop {
  border-color: var(--stop);
}
article.warn {
  border-color: var(--warn);
}
h3 {
  font-size: 15px;
}
p {
  font-size: 14.5px;
}
.small {
  font-size: 13.5px;
}
.rule {
  font: 600 12px var(--text);
  color: var(--ink-soft);
  margin-left: 6px;
}
.plain {
  background: none;
  border: 0;
  padding: 0;
  font: inherit;
  color: inherit;
  cursor: pointer;
  text-align: left;
  min-height: var(--target);
}
</style>
