<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import CalendarAddresses from '@/features/ical/CalendarAddresses.vue'
import PasswordForm from '@/features/session/PasswordForm.vue'
import GradersPanel from '@/features/graderpractice/GradersPanel.vue'
import BackupsPanel from './BackupsPanel.vue'
import BodyLookPanel from './BodyLookPanel.vue'
import DutiesPanel from './DutiesPanel.vue'
import JudgingPanel from './JudgingPanel.vue'
import LetterheadPanel from './LetterheadPanel.vue'
import PeoplePanel from './PeoplePanel.vue'
import RetentionPanel from './RetentionPanel.vue'
import TermsPanel from './TermsPanel.vue'
import TrailPanel from './TrailPanel.vue'
import ZonePanel from './ZonePanel.vue'

/** Now and then: people, terms, who does what, how the school judges. */
const session = useSession()
const route = useRoute()
const router = useRouter()
const ALL = [
  { id: 'judging', name: 'How we judge' },
  { id: 'people', name: 'People' },
  { id: 'terms', name: 'Terms' },
  { id: 'duties', name: 'Who does what' },
  { id: 'body', name: 'Bodies' },
  { id: 'letterhead', name: 'Letterhead' },
  { id: 'backups', name: 'Backups' },
  { id: 'kept', name: 'How long' },
  { id: 'trail', name: 'Trail' },
  { id: 'own', name: 'My own' },
] as const
const LEADS: readonly string[] = ['letterhead', 'backups', 'kept', 'trail']
const parts = computed(() => ALL.filter((p) => session.person?.role === 'lead' || !LEADS.includes(p.id)))
const part = computed(() => parts.value.find((p) => `#${p.id}` === route.hash)?.id ?? 'judging')
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>{{ session.session?.school }}</h1>
      <span class="soft"
        >{{ session.term?.name }} · {{ session.term?.cohort
        }}{{ session.term?.archived ? ' · archive' : '' }}</span
      >
      <span class="grow" />
      <div class="parts" role="group" aria-label="Parts of the school">
        <button
          v-for="p in parts"
          :key="p.id"
          class="push"
          :class="{ main: part === p.id }"
          :aria-pressed="part === p.id"
          @click="router.replace({ hash: `#${p.id}` })"
        >
          {{ p.name }}
        </button>
      </div>
    </div>
    <p
      v-if="
        !session.term && !['terms', 'body', 'letterhead', 'backups', 'kept', 'trail', 'own'].includes(part)
      "
      class="card"
    >
      You are in no term yet. The lead makes one under Terms and adds you.
    </p>
    <JudgingPanel v-if="part === 'judging'" />
    <PeoplePanel v-else-if="part === 'people' && session.term" :key="session.term.id" />
    <template v-else-if="part === 'terms'">
      <TermsPanel />
      <ZonePanel v-if="session.person?.role === 'lead'" />
    </template>
    <template v-else-if="part === 'duties' && session.term">
      <DutiesPanel :key="session.term.id" />
      <GradersPanel v-if="session.person?.role === 'lead'" />
    </template>
    <BodyLookPanel v-else-if="part === 'body'" />
    <LetterheadPanel v-else-if="part === 'letterhead'" />
    <BackupsPanel v-else-if="part === 'backups'" />
    <RetentionPanel v-else-if="part === 'kept'" />
    <TrailPanel v-else-if="part === 'trail'" />
    <div v-else-if="part === 'own'" class="own">
      <PasswordForm />
      <CalendarAddresses />
    </div>
  </div>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: flex-start;
}
.own > * {
  flex: 1 1 400px;
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
/* On a phone they go sideways. */
@media (max-width: 640px) {
  .parts {
    flex: 1 1 100%;
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .parts .push {
    flex: none;
  }
}
</style>
