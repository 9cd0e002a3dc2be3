<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import HandShape from '@/parts/HandShape.vue'
import { doseWords } from '@/parts/words'

/** What a technique is: its hand, its dose, what to look out for, and whose way it is. */
const props = defineProps<{ of: Schema['TechniqueView'] }>()
const session = useSession()
const stroke = computed(() => {
  const { stroke } = props.of.technique
  return session.catalogue?.strokes?.find((s) => s.id === stroke)?.name ?? stroke
})
</script>

<template>
  <div class="head">
    <HandShape
      :tool="of.technique.tool"
      :size="132"
      :label="`The hand: ${session.toolName(of.technique.tool)}`"
    />
    <div>
      <h2>{{ of.technique.name }}</h2>
      <p class="soft">
        {{ stroke === of.technique.name ? '' : `${stroke} · `
        }}{{ of.technique.hand ?? session.toolName(of.technique.tool) }} · depth {{ of.technique.depth }} ·
        {{ doseWords(of.technique.dose) }} · client
        {{ of.technique.effort.replace('-', ' ') }}
      </p>
      <p v-if="of.technique.caution" class="caution">⚠ {{ of.technique.caution }}</p>
      <p v-if="of.technique.strong" class="soft">Strong: it is announced before it starts.</p>
      <p v-for="w in of.windows" :key="w" class="soft">Dose: {{ w }}</p>
      <p class="law">{{ session.catalogue?.law }}</p>
      <p class="soft">
        {{
          of.standard
            ? 'As in the standard library.'
            : of.ships
              ? `This school’s own way, version ${of.version}.`
              : `Of this school’s own, version ${of.version}.`
        }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.head > :first-child {
  flex: none;
}
.head {
  display: flex;
  gap: 20px;
  align-items: center;
}
.caution {
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 640px) {
  .head {
    flex-wrap: wrap;
  }
}
</style>
