<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import { day } from '@/parts/words'

/** Which lab is meant: the one of now until another is chosen. */
const props = defineProps<{ labs: Schema['LabLine'][] }>()
const chosen = defineModel<string>({ required: true })
const keyOf = (l: { week: number; lab: number }) => `${l.week}.${l.lab}`
const options = computed(() =>
  props.labs.map((l) => ({
    id: keyOf(l),
    name:
      `Week ${l.week}, lab ${l.lab}` +
      (l.begins ? ` · ${day(l.begins)}` : '') +
      (l.there + l.late + l.away > 0 ? (l.unmarked ? ` · ${l.unmarked} not marked` : ' · marked') : ''),
  })),
)
const at = computed(() => options.value.findIndex((l) => l.id === chosen.value))
function go(to: string | undefined) {
  if (to) chosen.value = to
}
</script>

<template>
  <div class="labs">
    <button class="push" aria-label="The lab before" :disabled="at <= 0" @click="go(options[at - 1]?.id)">
      ‹
    </button>
    <ChoiceField bare label="Lab" :model-value="chosen" :options="options" @update:model-value="go" />
    <button
      class="push"
      aria-label="The lab after"
      :disabled="at >= options.length - 1"
      @click="go(options[at + 1]?.id)"
    >
      ›
    </button>
  </div>
</template>

<style scoped>
.labs {
  display: flex;
  gap: 6px;
  align-items: center;
  min-width: 0;
}
@media (max-width: 640px) {
  .labs {
    order: 1;
    flex: 1 1 100%;
  }
  .labs :deep(.choice) {
    flex: 1;
    min-width: 0;
  }
  .labs :deep(select) {
    width: 100%;
  }
}
</style>
