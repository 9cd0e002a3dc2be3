<script setup lang="ts">
import { ref } from 'vue'

/** A practical that does not count wants a reason; nothing of it is deleted, and it can be counted again. */
const emit = defineEmits<{ setVoid: [reason: string] }>()
const asked = ref(false)
const reason = ref('')
</script>

<template>
  <button v-if="!asked" class="push" @click="asked = true">Make it void</button>
  <form v-else @submit.prevent="emit('setVoid', reason)">
    <label>Why it does not count <input v-model="reason" required maxlength="400" /></label>
    <button class="push main">Make it void</button>
    <button class="push" type="button" @click="asked = false">Never mind</button>
  </form>
</template>

<style scoped>
form {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
input {
  display: block;
  width: 100%;
}
</style>
