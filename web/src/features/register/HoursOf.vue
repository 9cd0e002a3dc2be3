<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { hourKindName } from '@/parts/hours'
import { capital } from '@/parts/words'
import HoursBar from './HoursBar.vue'
import LabStrip from './LabStrip.vue'

/** The hours of one student: a bar a kind, and every lab. */
const props = defineProps<{ hours: Schema['StudentHours'] }>()
const shown = computed(() =>
  props.hours.kinds.filter((k) => k.asked > 0 || k.attended + k.madeUp + k.entered + k.excused > 0),
)
const full = (k: Schema['KindHours']) =>
  Math.max(k.asked, k.attended + k.madeUp + k.entered + k.excused + k.toCome)
</script>

<template>
  <div class="of">
    <div v-for="k in shown" :key="k.kind" class="line">
      <span>{{ capital(hourKindName(k.kind)) }}</span>
      <HoursBar :of="k" :full="full(k)" />
    </div>
    <div class="line all">
      <strong>All</strong>
      <HoursBar :of="hours.all" :full="full(hours.all)" />
    </div>
    <h3>Labs</h3>
    <p v-if="hours.labs.length === 0" class="soft">No lab was marked yet.</p>
    <LabStrip :labs="hours.labs" />
  </div>
</template>

<style scoped>
.of {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.line {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  font-size: 15px;
}
</style>
