<script setup lang="ts">
import { ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'

/** A letter to a student: begun from what is stated of them, edited, and kept as it goes. */
const props = defineProps<{ term: string; student: string }>()
const emit = defineEmits<{ issued: []; close: [] }>()
const params = { path: { term: props.term, student: props.student } }
const text = ref('')
const { problem, loading, again } = useAsked(async () => {
  const draft = await ask(api.GET('/api/terms/{term}/letters/{student}', { params }))
  text.value = draft.text ?? ''
  return draft
})
const { busy, failed, during } = useCommand()
const issue = () =>
  during(async () => {
    await ask(api.POST('/api/terms/{term}/letters/{student}', { params, body: { text: text.value } }))
    emit('issued')
  })
</script>

<template>
  <Standing :problem="problem" :loading="loading && !text" @again="again" />
  <form @submit.prevent="issue">
    <label
      >The letter, as it goes
      <textarea v-model="text" rows="14" maxlength="6000" required />
    </label>
    <Failed :of="failed" />
    <div class="do">
      <button class="push main" :disabled="busy">Issue the letter</button>
      <button class="push" type="button" @click="emit('close')">Never mind</button>
    </div>
  </form>
</template>

<style scoped>
form,
label {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
