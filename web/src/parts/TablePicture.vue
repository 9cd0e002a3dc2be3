<script setup lang="ts">
import { computed } from 'vue'
import type { Picture } from './picture'

/** All of the table from above: the client, the sheet, what is worked, and where the therapist stands and looks. */
const props = defineProps<{ picture: Picture; label?: string }>()
const box = computed(() => {
  const b = props.picture.tableBox
  return `${b.x} ${b.y} ${b.width} ${b.height}`
})
const CLIENT = ['prop', 'body', 'worked', 'linen']
const under = computed(() => props.picture.table.filter((s) => s.role === 'table' || s.role === 'table-pad'))
const client = computed(() => props.picture.shapes.filter((s) => CLIENT.includes(s.role)))
const over = computed(() => props.picture.table.filter((s) => s.role !== 'table' && s.role !== 'table-pad'))
</script>

<template>
  <svg class="picture table-picture" :viewBox="box" role="img" :aria-label="label ?? 'The table from above'">
    <path v-for="(s, i) in [...under, ...client, ...over]" :key="i" :d="s.path" :class="s.role" />
  </svg>
</template>

<style scoped src="./picture.css"></style>
