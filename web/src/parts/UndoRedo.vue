<script setup lang="ts">
/** Takes acts back and does them again; each button says on hover which act is meant. */
defineProps<{ undoable?: string; redoable?: string; busy: boolean }>()
defineEmits<{ undo: []; redo: [] }>()
</script>

<template>
  <button
    class="push"
    :disabled="!undoable || busy"
    :title="undoable ? `Undo: ${undoable}` : undefined"
    @click="$emit('undo')"
  >
    Undo
  </button>
  <button
    class="push"
    :disabled="!redoable || busy"
    :title="redoable ? `Redo: ${redoable}` : undefined"
    @click="$emit('redo')"
  >
    Redo
  </button>
</template>
