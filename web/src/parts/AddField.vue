<script setup lang="ts">
/** Offers what may be added, and stands on its first line again once something was. */
defineProps<{ label: string; first: string; offered: readonly { id: string; name: string }[] }>()
const emit = defineEmits<{ add: [id: string] }>()
function pick(event: Event) {
  const select = event.target as HTMLSelectElement
  const id = select.value
  select.value = ''
  if (id) emit('add', id)
}
</script>

<template>
  <select :aria-label="label" @change="pick">
    <option value="">{{ first }}</option>
    <option v-for="o in offered" :key="o.id" :value="o.id">{{ o.name }}</option>
  </select>
</template>
