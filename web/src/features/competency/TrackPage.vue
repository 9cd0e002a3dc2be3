<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useLine } from '@/parts/useLine'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import { counted } from '@/parts/words'
import CohortPalms from './CohortPalms.vue'

const NextLooks = defineAsyncComponent(() => import('./NextLooks.vue'))
const CohortSteps = defineAsyncComponent(() => import('./CohortSteps.vue'))
const TermForecast = defineAsyncComponent(() => import('./TermForecast.vue'))
const CohortHours = defineAsyncComponent(() => import('@/features/register/CohortHours.vue'))
const GraderQuality = defineAsyncComponent(() => import('./GraderQuality.vue'))
const TermBeside = defineAsyncComponent(() => import('@/features/earlier/TermBeside.vue'))
const TermClosing = defineAsyncComponent(() => import('./TermClosing.vue'))

const session = useSession()
const route = useRoute()
const router = useRouter()
const term = session.term?.id ?? ''
const {
  data: cohort,
  problem,
  loading,
  again,
} = useAsked(() => ask(api.GET('/api/terms/{term}/competency', { params: { path: { term } } })))

const views = computed(() => [
  { id: 'palms', name: 'Palms' },
  { id: 'next', name: 'Next looks' },
  { id: 'steps', name: 'What is missed' },
  { id: 'forecast', name: 'Forecast' },
  { id: 'hours', name: 'Hours' },
  ...(session.person?.role === 'grader'
    ? []
    : [
        { id: 'graders', name: 'Graders' },
        { id: 'beside', name: 'Beside the last' },
        { id: 'closing', name: 'End of term' },
      ]),
])
const view = computed(() => views.value.find((v) => `#${v.id}` === route.hash)?.id ?? 'palms')

// What is shown here stands on what others award: it is read again whenever one of them does.
if (term)
  useLine<{ tracked: number }>(`/api/terms/${term}/competency/live`, (now) => {
    if (cohort.value && cohort.value.tracked !== now.tracked) void again()
  })
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !cohort" @again="again" />
    <div v-if="!term" class="card">
      <h2>No term yet</h2>
      <p class="soft">The lead makes one under School, Terms.</p>
    </div>
    <template v-if="cohort">
      <div class="top">
        <h1>{{ cohort.name }}</h1>
        <span class="soft"
          >Week {{ Math.min(cohort.weeks, Math.floor(cohort.week) + 1) }} of {{ cohort.weeks }} ·
          {{ counted(cohort.students.length, 'student') }} · {{ counted(cohort.practicals, 'practical') }} ·
          cut {{ cohort.cut }} · by the {{ cohort.way }}{{ cohort.closed ? ' · closed' : '' }}</span
        >
        <span class="grow" />
        <nav class="views" aria-label="Views">
          <button
            v-for="v in views"
            :key="v.id"
            class="push"
            :class="{ main: view === v.id }"
            :aria-pressed="view === v.id"
            @click="router.replace({ hash: `#${v.id}` })"
          >
            {{ v.name }}
          </button>
          <router-link class="push" to="/door">At the door</router-link>
        </nav>
      </div>
      <CohortPalms v-if="view === 'palms'" :cohort="cohort" />
      <NextLooks v-else-if="view === 'next'" :term="cohort.term" :cohort="cohort" />
      <CohortSteps v-else-if="view === 'steps'" :cohort="cohort" />
      <TermForecast v-else-if="view === 'forecast'" :cohort="cohort" />
      <CohortHours v-else-if="view === 'hours'" :term="term" />
      <GraderQuality v-else-if="view === 'graders'" :cohort="cohort" />
      <TermBeside v-else-if="view === 'beside'" :term="term" />
      <TermClosing v-else :cohort="cohort" @changed="again" />
    </template>
  </div>
</template>

<style scoped>
.views {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
.views .push {
  padding: 6px 12px;
}
</style>
