<script setup lang="ts">
import type { Problem } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'

/** The one judgement of the whole, before any score is shown. */
defineProps<{ busy: boolean; failed?: Problem }>()
defineEmits<{ rate: [value: number] }>()
const session = useSession()
</script>

<template>
  <section class="card rate">
    <h2>Your one judgement of the whole, before any score is shown</h2>
    <div class="scale" role="group" aria-label="Global rating">
      <button
        v-for="r in session.catalogue?.ratings"
        :key="r.value"
        class="push"
        :disabled="busy"
        @click="$emit('rate', r.value)"
      >
        <b>{{ r.value }}</b><small>{{ r.band }}</small>
      </button>
    </div>
    <Failed :of="failed" />
  </section>
</template>

<style scoped>
.rate {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.scale {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.scale .push {
  flex-direction: column;
  gap: 0;
  flex: 1;
  min-width: 92px;
  min-height: 60px;
}
.scale b {
  font-size: 20px;
}
</style>
