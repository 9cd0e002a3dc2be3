<script setup lang="ts">
import { inject } from 'vue'
import { NUMBERS } from './numbers'

/** The place of a step from 1. Alone, because one new step changes the places of all behind it and nothing else of their rows. */
defineProps<{ id: string }>()
const numbers = inject(NUMBERS)
</script>

<template>
  <td role="cell">{{ numbers?.get(id) }}</td>
</template>
