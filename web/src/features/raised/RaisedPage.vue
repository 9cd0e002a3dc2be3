<script setup lang="ts">
import IncidentsPanel from '@/features/incident/IncidentsPanel.vue'
import SecondLooksPanel from '@/features/secondlook/SecondLooksPanel.vue'
import { useSession } from '@/features/session/useSession'

/** What somebody said was wrong: marks to look at again, and incidents. */
const session = useSession()
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Raised</h1>
      <span class="soft">What somebody asks to have looked at again, and what was stopped for safety.</span>
    </div>
    <div class="two">
      <SecondLooksPanel v-if="session.person?.role === 'lead'" />
      <IncidentsPanel />
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 440px), 1fr));
  gap: 14px;
  align-items: start;
}
</style>
