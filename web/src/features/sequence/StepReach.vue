<script setup lang="ts">
import { computed } from 'vue'
import type { Picture } from '@/parts/picture'
import { STATURES, therapist } from './useTherapist'
import ChoiceField from '@/parts/ChoiceField.vue'

/** Whether somebody of a height reaches that from there, and how high their table stands for it. */
const props = defineProps<{ picture: Picture }>()
const HEIGHTS = STATURES.map((s) => ({ id: s, name: `${s.toFixed(2)} m` }))
const cm = (mm: number) => Math.round(mm / 10)
const facts = computed(() => props.picture.facts)
</script>

<template>
  <p class="reach">
    <ChoiceField
      v-model="therapist"
      class="field"
      label="For a therapist of"
      heard="Height of the therapist"
      :options="HEIGHTS"
    />
    <span :class="{ far: !facts.within }"
      >{{ cm(facts.reach) }} cm from the feet, {{ cm(facts.comfortable) }} cm in easy reach</span
    >
    <span>table at {{ cm(facts.table) }} cm</span>
  </p>
</template>

<style scoped>
.reach {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  margin-top: 10px;
  font-size: 15px;
}
label {
  display: flex;
  align-items: center;
  gap: 8px;
}
.far {
  color: var(--caution);
  font-weight: 650;
}
</style>
