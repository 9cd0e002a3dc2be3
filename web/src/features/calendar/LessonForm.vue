<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { vTyped } from '@/parts/typed'
import LessonMark from './LessonMark.vue'
import { aimOf, type Curriculum, type Lesson } from './term'
import ChoiceField from '@/parts/ChoiceField.vue'

/** One lesson: when, how long, with which sequence. */
const props = defineProps<{
  lesson: Lesson
  curriculum: Curriculum
  sequences?: Schema['SequenceLine'][]
  /** Said where lessons of several regions stand together. */
  region: string
}>()
const emit = defineEmits<{ change: [what: string, patch: Partial<Lesson>]; remove: [] }>()
const ofRegion = computed(() => (props.sequences ?? []).filter((s) => s.region === props.lesson.region))
const others = computed(() => (props.sequences ?? []).filter((s) => s.region !== props.lesson.region))
const typed = (e: Event) => (e.target as HTMLInputElement | HTMLSelectElement).value
function setNumber(what: string, field: 'week' | 'lab' | 'minutes', e: Event) {
  emit('change', what, { [field]: Number(typed(e)) || props.lesson[field] })
}
</script>

<template>
  <fieldset class="lesson">
    <legend><LessonMark :aim="lesson.aim" /> {{ aimOf(lesson.aim).name }} {{ region }}</legend>
    <label
      >Week
      <input
        v-typed="lesson.week"
        type="number"
        min="1"
        :max="curriculum.weeks"
        @change="setNumber('Week', 'week', $event)"
    /></label>
    <label
      >Lab
      <input
        v-typed="lesson.lab"
        type="number"
        min="1"
        :max="curriculum.labsAWeek"
        @change="setNumber('Lab', 'lab', $event)"
    /></label>
    <label
      >Minutes
      <input
        v-typed="lesson.minutes"
        type="number"
        min="5"
        max="480"
        step="5"
        @change="setNumber('Minutes', 'minutes', $event)"
    /></label>
    <ChoiceField
      class="wide"
      label="Sequence"
      none="none yet"
      :model-value="lesson.sequence"
      :options="[...ofRegion, { group: 'Of other regions', options: others }]"
      @update:model-value="(sequence) => $emit('change', 'Sequence', { sequence, steps: [] })"
    />
    <p v-if="lesson.steps.length" class="soft small wide">
      Only {{ lesson.steps.length }} {{ lesson.steps.length === 1 ? 'step' : 'steps' }} of it.
      <button class="push" @click="$emit('change', 'Steps', { steps: [] })">All of it</button>
    </p>
    <label class="wide"
      >Note for the lab plan
      <input v-typed="lesson.note" maxlength="500" @change="$emit('change', 'Note', { note: typed($event) })"
    /></label>
    <router-link v-if="lesson.sequence" class="push" :to="`/plan/${lesson.sequence}`">Open</router-link>
    <button class="push stop" @click="$emit('remove')">Take out</button>
  </fieldset>
</template>

<style scoped src="./fields.css"></style>
<style scoped>
.lesson {
  border: 1px solid var(--line);
  border-radius: 14px;
  padding: 8px 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: flex-end;
}
.lesson.picked {
  border: 2px solid var(--ink);
}
legend {
  font-weight: 650;
}
</style>
