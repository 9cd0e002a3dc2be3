<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'

/** The lead chooses an awarded practical for new graders to practise on; its marks as they stand are the school's own. */
const props = defineProps<{ practical: string; name: string }>()
const router = useRouter()
const asked = ref(false)
const title = ref(props.name)
const words = ref('')
const { busy, failed, during } = useCommand()
const choose = () =>
  during(async () => {
    await ask(
      api.POST('/api/practicals/{id}/practice-run', {
        params: { path: { id: props.practical } },
        body: { title: title.value, words: words.value },
      }),
    )
    await router.push('/school#duties')
  })
</script>

<template>
  <button v-if="!asked" class="push" @click="asked = true">Let new graders practise on it</button>
  <form v-else @submit.prevent="choose">
    <p class="soft">Without names, notes and marks; how you marked it is shown after they did.</p>
    <label>What it is called <input v-model="title" required maxlength="120" /></label>
    <label
      >What one would have seen and heard
      <textarea v-model="words" rows="3" maxlength="4000" />
    </label>
    <Failed :of="failed" />
    <button class="push main" :disabled="busy">Choose it</button>
    <button class="push" type="button" @click="asked = false">Never mind</button>
  </form>
</template>

<style scoped>
form,
label {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
input {
  width: 100%;
}
</style>
