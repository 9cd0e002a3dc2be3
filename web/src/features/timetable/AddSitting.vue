<script setup lang="ts">
import { ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import ChoiceField from '@/parts/ChoiceField.vue'
import type { DayView, useDay } from './useDay'

/** One practical more in the day: another student, another sequence, a re-take. */
const props = defineProps<{ of: ReturnType<typeof useDay>; day: DayView }>()
const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))
const student = ref<string>()
const sequence = ref<string | undefined>(props.day.sittings[0]?.sequence)
async function add() {
  if (await props.of.add([{ student: student.value, sequence: sequence.value }])) student.value = undefined
}
</script>

<template>
  <details class="add">
    <summary>One more</summary>
    <form @submit.prevent="add">
      <ChoiceField v-model="student" label="Who shows it" none="choose" required :options="day.students" />
      <ChoiceField v-model="sequence" label="What" none="choose" required :options="sequences" />
      <button class="push" :disabled="of.busy.value || !student || !sequence">Add it to the day</button>
    </form>
  </details>
</template>

<style scoped>
summary {
  min-height: var(--target);
  line-height: var(--target);
  cursor: pointer;
  font-weight: 600;
}
form {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
</style>
