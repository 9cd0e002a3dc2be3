<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'

type Tool = Schema['ToolWord']['id']

/** A hand: one of the trade's, or the school's own word for one. */
defineProps<{ tool: Tool; hand?: string }>()
const emit = defineEmits<{ change: [tool: Tool, hand: string | undefined] }>()
const session = useSession()
const named = computed(() => [...(session.catalogue?.hands ?? []), ...(session.catalogue?.taughtHands ?? [])])
function pick(value: string) {
  const own = named.value.find((h) => `own ${h.name}` === value)
  if (own) emit('change', own.like, own.name)
  else emit('change', value as Tool, undefined)
}
const known = (hand: string) => named.value.some((h) => h.name === hand)
</script>

<template>
  <select :value="hand ? `own ${hand}` : tool" @change="pick(($event.target as HTMLSelectElement).value)">
    <option v-for="t in session.catalogue?.tools" :key="t.id" :value="t.id">{{ t.name }}</option>
    <optgroup v-if="session.catalogue?.hands?.length || (hand && !known(hand))" label="This school’s words">
      <option v-for="h in session.catalogue?.hands" :key="h.name" :value="`own ${h.name}`">
        {{ h.name }}
      </option>
      <option v-if="hand && !known(hand)" :value="`own ${hand}`">{{ hand }}</option>
    </optgroup>
    <optgroup v-if="session.catalogue?.taughtHands?.length" label="As many teachers say">
      <option v-for="h in session.catalogue.taughtHands" :key="h.name" :value="`own ${h.name}`">
        {{ h.name }}
      </option>
    </optgroup>
  </select>
</template>
