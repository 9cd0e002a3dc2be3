<script setup lang="ts">
import { useSession } from '@/features/session/useSession'
import StudentPage from './StudentPage.vue'

const session = useSession()
</script>

<template>
  <StudentPage v-if="session.person && !session.staff" :id="session.person.id" />
</template>
