<script setup lang="ts">
import SelfMarks from '@/features/practical/SelfMarks.vue'
import KeepApart from '@/features/pairing/KeepApart.vue'
import OwnHours from '@/features/register/OwnHours.vue'
import AgreedRegions from '@/features/timetable/AgreedRegions.vue'
import OwnSittings from '@/features/timetable/OwnSittings.vue'
import IncidentsPanel from '@/features/incident/IncidentsPanel.vue'
import EarlierMarksPanel from '@/features/earlier/EarlierMarksPanel.vue'
import StatementsPanel from '@/features/statement/StatementsPanel.vue'
import NotesForm from '@/features/school/NotesForm.vue'
import CalendarAddresses from '@/features/ical/CalendarAddresses.vue'
import PasswordForm from '@/features/session/PasswordForm.vue'
import { useSession } from '@/features/session/useSession'
import StudentPage from './StudentPage.vue'

const session = useSession()
</script>

<template>
  <template v-if="session.person && !session.staff">
    <div class="due"><SelfMarks /><OwnSittings /></div>
    <StudentPage :id="session.person.id">
      <router-link class="push" to="/peer">Watch at a table</router-link>
    </StudentPage>
    <div class="own">
      <OwnHours />
      <IncidentsPanel />
      <StatementsPanel />
      <EarlierMarksPanel />
      <KeepApart class="card" />
      <AgreedRegions class="card" />
      <NotesForm :person="session.person" readonly />
      <CalendarAddresses />
      <PasswordForm />
    </div>
  </template>
</template>

<style scoped>
.due:not(:empty) {
  padding: 14px 20px 0;
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  padding: 14px 20px;
  align-items: flex-start;
}
.own > * {
  flex: 1 1 300px;
}
</style>
