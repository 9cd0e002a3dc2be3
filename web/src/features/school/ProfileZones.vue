<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'

/** Which zones a question is about, touched one by one; those of every school stay. */
const props = defineProps<{ zones: Schema['ZonesView']; chosen: readonly string[] }>()
const emit = defineEmits<{ change: [chosen: string[]] }>()
const session = useSession()
/** The zones of the catalogue, by region. */
const regions = computed(() => {
  const by = new Map<string, Schema['ZoneWord'][]>()
  for (const z of session.catalogue?.zones ?? []) by.set(z.region, [...(by.get(z.region) ?? []), z])
  return [...by]
})
const toggle = (zone: string) =>
  emit(
    'change',
    props.chosen.includes(zone) ? props.chosen.filter((x) => x !== zone) : [...props.chosen, zone],
  )
</script>

<template>
  <section class="card" :aria-label="zones.question">
    <h2>{{ zones.question }}</h2>
    <p class="soft small">{{ zones.rules.join(', ') }}</p>
    <div v-for="[region, all] in regions" :key="region" class="region">
      <h3>{{ session.regionName(region) }}</h3>
      <div class="options">
        <button
          v-for="zone in all"
          :key="zone.id"
          class="push"
          :class="{ main: chosen.includes(zone.id) }"
          :aria-pressed="chosen.includes(zone.id)"
          :disabled="zones.always.includes(zone.id)"
          :title="zones.always.includes(zone.id) ? 'At every school' : undefined"
          @click="toggle(zone.id)"
        >
          {{ zone.name }}
        </button>
      </div>
    </div>
  </section>
</template>

<style scoped src="./profile.css"></style>
<style scoped>
.region {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 0 14px;
  align-items: baseline;
  border-top: 1px solid var(--line);
}
</style>
