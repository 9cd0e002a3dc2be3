<script setup lang="ts">
import { aimOf } from './term'

/** One lesson as a capsule: its letter, and filled as far as the aim goes, so that it is told apart without colour. */
defineProps<{ aim: string; picked?: boolean; flagged?: boolean }>()
</script>

<template>
  <span class="mark" :class="[aim, { picked, flagged }]">{{ aimOf(aim).letter }}</span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  width: 30px;
  height: 19px;
  border-radius: 10px;
  border: 1.5px solid var(--ink);
  font: 700 12px/1 var(--text);
  background: var(--paper);
  color: var(--ink);
}
.explain {
  border-style: dotted;
  border-radius: 4px;
}
.teach {
  border-style: dashed;
}
.practise {
  background: linear-gradient(to right, var(--linen-shade) 50%, var(--paper) 50%);
}
.assess {
  background: var(--ink);
  color: var(--paper);
}
.meet-again {
  border-width: 3px;
  border-style: double;
}
.flagged {
  outline: 2px solid var(--stop);
}
.picked {
  outline: 3px solid var(--order);
  outline-offset: 1px;
}
</style>
