<script setup lang="ts">
import { ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'

/** Two who are never seated together. It is honoured and told to nobody; everybody sees what they wrote themselves. */
defineProps<{
  /** Whom staff may name; a student names one of their class. */
  students?: { id: string; name: string }[]
}>()
const { data, again } = useAsked(() => ask(api.GET('/api/me/apart')))
const { busy, failed, during } = useCommand()
const one = ref<string>()
const other = ref<string>()
async function keep() {
  const o = other.value
  if (!o) return
  const done = await during(async () => {
    data.value = await ask(api.POST('/api/me/apart', { body: { one: one.value, other: o } }))
  })
  if (done) one.value = other.value = undefined
}
async function withdraw(id: string) {
  const done = await during(async () => {
    data.value = await ask(api.DELETE('/api/me/apart/{id}', { params: { path: { id } } }))
  })
  if (!done) await again()
}
</script>

<template>
  <details v-if="data && (students || data.classmates.length)" class="apart">
    <summary>{{ students ? 'Keep two apart' : 'Not at a table with' }}</summary>
    <p class="soft small">
      It is honoured wherever partners are found, and told to nobody. Only you see what you wrote here.
    </p>
    <ul v-if="data.written.length">
      <li v-for="w in data.written" :key="w.id">
        <span>{{ students ? `${w.one} and ${w.other}` : w.other }}</span>
        <button class="push" :disabled="busy" :aria-label="`Take back: ${w.other}`" @click="withdraw(w.id)">
          ×
        </button>
      </li>
    </ul>
    <form @submit.prevent="keep">
      <ChoiceField v-if="students" v-model="one" bare label="One" none="one" required :options="students" />
      <ChoiceField
        v-model="other"
        bare
        label="The other"
        none="the other"
        required
        :options="students ?? data.classmates"
      />
      <button class="push" :disabled="busy || !other || (!!students && !one)">Keep apart</button>
    </form>
    <Failed :of="failed" />
  </details>
</template>

<style scoped>
summary {
  font-weight: 650;
  min-height: var(--target);
  display: flex;
  align-items: center;
  cursor: pointer;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
form {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.small {
  font-size: 14px;
}
</style>
