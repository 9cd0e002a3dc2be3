<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import PasswordForm from '@/features/session/PasswordForm.vue'
import DutiesPanel from './DutiesPanel.vue'
import JudgingPanel from './JudgingPanel.vue'
import PeoplePanel from './PeoplePanel.vue'
import TermsPanel from './TermsPanel.vue'

/** Now and then: people, terms, who does what, how the school judges. */
const session = useSession()
const route = useRoute()
const router = useRouter()
const PARTS = [
  { id: 'judging', name: 'How we judge' },
  { id: 'people', name: 'People' },
  { id: 'terms', name: 'Terms' },
  { id: 'duties', name: 'Who does what' },
  { id: 'own', name: 'My password' },
] as const
const part = computed(() => PARTS.find((p) => `#${p.id}` === route.hash)?.id ?? 'judging')
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
          v-for="p in PARTS"
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
    <p v-if="!session.term && part !== 'terms'" class="card">
      You are in no term yet. The lead makes one under Terms and adds you.
    </p>
    <JudgingPanel v-if="part === 'judging'" />
    <PeoplePanel v-else-if="part === 'people' && session.term" :key="session.term.id" />
    <TermsPanel v-else-if="part === 'terms'" />
    <DutiesPanel v-else-if="part === 'duties' && session.term" :key="session.term.id" />
    <PasswordForm v-else-if="part === 'own'" />
  </div>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
