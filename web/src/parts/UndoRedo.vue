<script setup lang="ts">
/** Takes acts back and does them again; each button says on hover which act is meant. On a phone they are signs. */
defineProps<{ undoable?: string; redoable?: string; busy: boolean }>()
defineEmits<{ undo: []; redo: [] }>()
</script>

<template>
  <button
    class="push"
    aria-label="Undo"
    :disabled="!undoable || busy"
    :title="undoable ? `Undo: ${undoable}` : undefined"
    @click="$emit('undo')"
  >
    <span class="word">Undo</span><span class="sign">↶</span>
  </button>
  <button
    class="push"
    aria-label="Redo"
    :disabled="!redoable || busy"
    :title="redoable ? `Redo: ${redoable}` : undefined"
    @click="$emit('redo')"
  >
    <span class="word">Redo</span><span class="sign">↷</span>
  </button>
</template>

<style scoped>
.sign {
  display: none;
}
@media (max-width: 640px) {
  .word {
    display: none;
  }
  .sign {
    display: inline;
  }
}
</style>
