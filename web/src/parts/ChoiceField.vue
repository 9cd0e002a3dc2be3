<script setup lang="ts" generic="T extends string">
import { word } from './words'

/** One of a few, in a list that opens. A value that has no name of its own is said in its own words. */
defineProps<{
  label: string
  value?: T
  options?: readonly (T | { id: T; name: string })[]
  /** What the first line says, which chooses none. */
  none?: string
  /** The label is heard and not shown. */
  bare?: boolean
}>()
const emit = defineEmits<{ change: [value: T | undefined] }>()
const id = (o: T | { id: T }) => (typeof o === 'string' ? o : o.id)
const name = (o: T | { name: string }) => (typeof o === 'string' ? word(o) : o.name)
const pick = (e: Event) =>
  emit('change', ((e.target as HTMLSelectElement).value || undefined) as T | undefined)
</script>

<template>
  <component :is="bare ? 'span' : 'label'" class="choice">
    <template v-if="!bare">{{ label }}</template>
    <select :value="value ?? ''" :aria-label="bare ? label : undefined" @change="pick">
      <option v-if="none !== undefined" value="">{{ none }}</option>
      <option v-for="o in options" :key="id(o)" :value="id(o)">{{ name(o) }}</option>
    </select>
  </component>
</template>

<style scoped>
.choice {
  display: block;
  min-width: 0;
}
select {
  display: block;
  box-sizing: border-box;
  width: 100%;
  min-height: var(--target);
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  color: var(--ink);
  font: 500 15px var(--text);
  padding: 0 8px;
}
</style>
