<script setup lang="ts">
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { PAPERS, usePaper } from '@/parts/usePaper'
import LessonForm from './LessonForm.vue'
import { AIMS, minutesOf, toggleOff, type Curriculum } from './term'
import type { useLessons } from './useLessons'
import ChoiceField from '@/parts/ChoiceField.vue'

/** What is planned in a week, or in one region of it, and the plan of its labs on paper. */
defineProps<{
  curriculum: Curriculum
  lessons: ReturnType<typeof useLessons>
  sequences?: Schema['SequenceLine'][]
  term: string
  /** Paper shows what was saved. */
  dirty: boolean
}>()
defineEmits<{ act: [what: string, next: Curriculum] }>()
const session = useSession()
const paper = usePaper()
</script>

<template>
  <p v-if="!lessons.shownWeek.value" class="soft">Touch a week, or what a region does in it.</p>
  <template v-else>
    <h2>
      {{ lessons.cell.value ? `${session.regionName(lessons.cell.value.region)}, week ` : 'Week '
      }}{{ lessons.shownWeek.value }}
    </h2>
    <p class="soft small">
      <template v-for="lab in curriculum.labsAWeek" :key="lab"
        >lab {{ lab }}: {{ minutesOf(curriculum, lessons.shownWeek.value, lab) }} of
        {{ curriculum.labMinutes }} min{{ lab < curriculum.labsAWeek ? ' · ' : '' }}</template
      >
    </p>
    <div v-if="lessons.cell.value" class="adds aims" role="group" aria-label="Add a lesson">
      <button
        v-for="a in AIMS"
        :key="a.id"
        class="push"
        :title="`Key ${a.letter}`"
        @click="lessons.add(lessons.cell.value.region, lessons.cell.value.week, a.id)"
      >
        + {{ a.name }}
      </button>
    </div>
    <p v-if="lessons.here.value.length === 0" class="soft">Nothing planned here.</p>
    <LessonForm
      v-for="l in lessons.here.value"
      :key="l.id"
      :class="{ picked: l.id === lessons.lesson.value }"
      :lesson="l"
      :curriculum="curriculum"
      :sequences="sequences"
      :region="lessons.cell.value ? '' : session.regionName(l.region).toLowerCase()"
      @change="(what, patch) => lessons.change(l, what, patch)"
      @remove="lessons.remove(l)"
    />
    <div class="adds">
      <button
        class="push"
        @click="
          $emit(
            'act',
            `Week ${lessons.shownWeek.value} off or on`,
            toggleOff(curriculum, lessons.shownWeek.value),
          )
        "
      >
        {{ curriculum.off.includes(lessons.shownWeek.value) ? 'Week is off: put it on' : 'Week off' }}
      </button>
      <ChoiceField v-model="paper" label="Paper" bare :options="PAPERS" />
      <a
        class="push"
        :href="`/api/terms/${term}/weeks/${lessons.shownWeek.value}/plan?paper=${paper}`"
        target="_blank"
        >Lab plan{{ dirty ? ' as saved' : '' }}</a
      >
    </div>
  </template>
</template>

<style scoped src="./fields.css"></style>
<style scoped>
.aims {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
</style>
