<script setup lang="ts">
import { takeBack, undoOffer } from './undoOffer'

/** Says what was taken away, with the way back; it waits. */
const close = () => (undoOffer.value = undefined)
</script>

<template>
  <div v-if="undoOffer" class="offer" role="status">
    <p>
      {{ undoOffer.said }} <span v-if="undoOffer.failed">{{ undoOffer.failed.detail }}</span>
    </p>
    <button class="push" @click="takeBack">Undo</button>
    <button class="push" aria-label="Close" @click="close">×</button>
  </div>
</template>

<style scoped>
.offer {
  position: fixed;
  z-index: 6;
  left: 50%;
  bottom: calc(var(--bar, 0px) + 12px);
  transform: translateX(-50%);
  width: max-content;
  max-width: calc(100vw - 24px);
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 8px 10px 8px 16px;
  border-radius: 16px;
  background: var(--ink);
  color: var(--paper);
}
p {
  margin: 0;
  font-size: 15px;
}
.offer .push {
  min-width: var(--target);
}
</style>
