<script setup lang="ts">
import type { useStepActs } from './useStepActs'
import { STEP_KEYS } from './useStepKeys'

/** What can be done to the steps that are picked, and the keys for it. */
defineProps<{ acts: ReturnType<typeof useStepActs>; said: string }>()
const keys = defineModel<boolean>('keys', { required: true })
</script>

<template>
  <div>
    <div class="tools" role="toolbar" :aria-label="`Acts on ${said}`">
      <button class="push" aria-label="Move up" title="Alt ↑" @click="acts.move(-1)">↑</button>
      <button class="push" aria-label="Move down" title="Alt ↓" @click="acts.move(1)">↓</button>
      <button class="push" title="Ctrl D" @click="acts.copy">Duplicate</button>
      <button class="push" title="M" @click="acts.flip">Mirror</button>
      <button class="push" title="X" @click="acts.halve">Split</button>
      <button class="push" title="J" @click="acts.merge">Join</button>
      <button class="push stop" title="Delete" @click="acts.drop">Take out</button>
      <button class="push" title="The steps from here on become a block of their own" @click="acts.newBlock">
        New block
      </button>
      <button class="push" :aria-expanded="keys" aria-label="Keys" @click="keys = !keys">?</button>
    </div>
    <p v-if="keys" class="soft keys">{{ STEP_KEYS }}</p>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.tools .push {
  padding: 4px 6px;
  font-size: 14px;
}
.keys {
  font-size: 13.5px;
}
@media (max-width: 1100px) {
  .tools .push:last-child {
    display: none;
  }
}
@media (max-width: 640px) {
  .tools {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .tools .push {
    flex: none;
  }
}
</style>
