<script setup lang="ts">
import { computed, ref } from 'vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { offerUndo } from '@/parts/undoOffer'
import { clock, minutesOf } from './clock'
import type { DayView, useDay } from './useDay'

/** Who is not there, for a part of the day or all of it; what cannot stay for it is found again. */
const props = defineProps<{ of: ReturnType<typeof useDay>; day: DayView }>()
const everybody = computed(() => [
  { group: 'Who grades', options: props.day.staff.filter((s) => s.grades) },
  { group: 'Students', options: props.day.students },
])
const nameOf = (id?: string) =>
  [...props.day.staff, ...props.day.students].find((p) => p.id === id)?.name ?? 'somebody who left'
const person = ref<string>()
const from = ref('')
const until = ref('')
async function say() {
  const before = props.day.away
  const line = {
    person: person.value,
    from: minutesOf(from.value) ?? 0,
    until: minutesOf(until.value) ?? 1440,
  }
  const name = nameOf(person.value)
  if (await props.of.setAway([...before, line])) {
    person.value = undefined
    offerUndo(`${name} is away; the rest of the day is found again.`, () => props.of.setAway(before))
  }
}
const back = (i: number) => props.of.setAway(props.day.away.filter((_, x) => x !== i))
const hours = (a: { from?: number; until?: number }) =>
  a.from === 0 && a.until === 1440
    ? 'all day'
    : `${a.from === 0 ? '' : `from ${clock(a.from ?? 0)} `}${a.until === 1440 ? '' : `until ${clock(a.until ?? 0)}`}`
</script>

<template>
  <details class="away" :open="!!day.away.length">
    <summary>
      Away<template v-if="day.away.length">: {{ day.away.length }}</template>
    </summary>
    <ul v-if="day.away.length">
      <li v-for="(a, i) in day.away" :key="`${a.person}${a.from}`">
        <span>{{ nameOf(a.person) }}, {{ hours(a) }}</span>
        <button
          class="push"
          :disabled="of.busy.value"
          :aria-label="`${nameOf(a.person)} is there`"
          @click="back(i)"
        >
          ×
        </button>
      </li>
    </ul>
    <form @submit.prevent="say">
      <ChoiceField v-model="person" label="Who" none="choose" required :options="everybody" />
      <div class="two">
        <label class="field above">From <input v-model="from" type="time" /></label>
        <label class="field above">Until <input v-model="until" type="time" /></label>
      </div>
      <p class="soft small">Without a time it is the whole day.</p>
      <button class="push" :disabled="of.busy.value || !person">Away: find the rest again</button>
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
form,
ul {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
.small {
  font-size: 14px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
