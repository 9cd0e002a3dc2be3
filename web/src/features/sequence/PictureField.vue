<script setup lang="ts">
import { ref } from 'vue'
import { api, ask, type Problem } from '@/api/client'
import { sent } from '@/api/sent'

/** A picture of the school's own with a step: a photo or a drawing, taken only with the statement that goes with it. */
defineProps<{ picture?: string }>()
const emit = defineEmits<{ change: [picture: string | undefined] }>()
const agreed = ref(false)
const sending = ref(false)
const problem = ref('')
const missing = ref(false)

async function send(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  sending.value = true
  problem.value = ''
  try {
    const added = await ask(
      api.POST('/api/pictures', {
        params: { query: { agreed: agreed.value } },
        ...sent(file),
      }),
    )
    missing.value = false
    agreed.value = false
    emit('change', added.id)
  } catch (p) {
    problem.value = (p as Problem).detail
  } finally {
    sending.value = false
    input.value = ''
  }
}
</script>

<template>
  <fieldset class="wide">
    <legend>Picture</legend>
    <template v-if="picture">
      <p v-if="missing">The picture of this step is not here. Add it again, or take it out.</p>
      <img v-else :src="`/api/pictures/${picture}`" alt="Picture of this step" @error="missing = true" />
      <button type="button" class="chip" @click="emit('change', undefined)">Take it out</button>
    </template>
    <template v-else>
      <label class="agree">
        <input v-model="agreed" type="checkbox" />
        <span>
          It is our own, it shows no student at work and no practical, and anyone who can be recognised agreed
          in writing.
        </span>
      </label>
      <label class="file">
        <span>{{ sending ? 'Sending…' : 'A photo or drawing: PNG, JPEG or WebP, up to 10 MB' }}</span>
        <input
          type="file"
          accept="image/png,image/jpeg,image/webp"
          :disabled="!agreed || sending"
          @change="send"
        />
      </label>
    </template>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </fieldset>
</template>

<style scoped src="./form.css"></style>
<style scoped>
legend,
label {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
}
img {
  display: block;
  max-width: 100%;
  max-height: 240px;
  border-radius: 10px;
  margin: 4px 0 8px;
}
.agree {
  display: grid;
  grid-template-columns: 28px 1fr;
  gap: 8px;
  align-items: center;
  min-height: var(--target);
}
.agree input {
  width: 22px;
  min-height: 22px;
  height: 22px;
}
.file {
  display: block;
}
.file input {
  padding: 8px;
}
.problem {
  color: var(--stop);
  font-weight: 600;
  margin: 6px 0 0;
}
</style>
