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
    <div class="halves">
      <SecondLooksPanel v-if="session.person?.role === 'lead'" />
      <IncidentsPanel />
    </div>
  </div>
</template>
