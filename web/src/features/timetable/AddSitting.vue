<script setup lang="ts">
import { ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import ChoiceField from '@/parts/ChoiceField.vue'
import { retakeName, retakeWish, type DayView, type useDay } from './useDay'

/** One practical more in the day: another student, another sequence, a re-take. */
const props = defineProps<{ of: ReturnType<typeof useDay>; day: DayView; term: string }>()
const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))
const student = ref<string>()
const sequence = ref<string | undefined>(props.day.sittings[0]?.sequence)
const { data: owed, again } = useAsked(() =>
  ask(api.GET('/api/terms/{term}/retakes', { params: { path: { term: props.term } } })),
)
async function addRetake(r: Schema['OwedRetake']) {
  if (await props.of.add([retakeWish(r)])) await again()
}
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
    <section v-if="owed?.length" aria-label="Re-takes that are owed">
      <h3>Re-takes that are owed</h3>
      <button
        v-for="r in owed"
        :key="r.practical"
        class="push"
        :disabled="of.busy.value"
        @click="addRetake(r)"
      >
        {{ retakeName(r) }}
      </button>
    </section>
  </details>
</template>

<style scoped>
summary {
  min-height: var(--target);
  line-height: var(--target);
  cursor: pointer;
  font-weight: 600;
}
form,
section {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
</style>
