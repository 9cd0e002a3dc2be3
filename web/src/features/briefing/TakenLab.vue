<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import { day } from '@/parts/words'

/** The next lab that somebody takes in the place of another; it opens to them on its day. */
const session = useSession()
const router = useRouter()
const lab = computed(() => session.takes[0])
const opens = computed(() => !!lab.value && lab.value === session.takesToday[0])
const brief = () => lab.value && void router.push(session.briefingOf(lab.value))
</script>

<template>
  <p v-if="lab" role="status">
    You take week {{ lab.week }}, lab {{ lab.lab }} of {{ lab.cohort }}
    {{ opens ? 'today.' : `on ${day(lab.on)}. It opens to you on that day.` }}
    <button v-if="opens" class="push" @click="brief">What there is to know</button>
  </p>
</template>

<style scoped>
p {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 8px 20px;
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  font-weight: 600;
}
</style>
