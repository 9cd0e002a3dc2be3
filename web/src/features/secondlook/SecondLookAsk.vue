<script setup lang="ts">
import { ref } from 'vue'
import { FINGERS, type Criterion } from '@/parts/criteria'

/** The student says which mark, and why. */
defineProps<{ busy: boolean }>()
const emit = defineEmits<{ ask: [asking: { criterion?: Criterion; reason: string }] }>()
const about = ref<Criterion | ''>('')
const reason = ref('')
const asked = ref(false)
</script>

<template>
  <button v-if="!asked" class="push" @click="asked = true">Ask for a second look</button>
  <form v-else @submit.prevent="emit('ask', { criterion: about || undefined, reason })">
    <label
      >Of which mark
      <select v-model="about">
        <option value="">all five</option>
        <option v-for="f in FINGERS" :key="f.id" :value="f.id">{{ f.long }}</option>
      </select></label
    >
    <label
      >What was seen otherwise
      <textarea v-model="reason" required maxlength="2000" rows="3" />
    </label>
    <div class="acts">
      <button class="push main" :disabled="busy">Ask the lead</button>
      <button class="push" type="button" @click="asked = false">Never mind</button>
    </div>
  </form>
</template>

<style scoped src="./secondLook.css"></style>
