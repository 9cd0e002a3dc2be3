<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'

type Word = Schema['TechniqueWord']

/** A technique among those that are offered, by stroke; one that is not offered any more stays where it is used. */
const props = defineProps<{ technique: string; name?: string }>()
const emit = defineEmits<{ change: [technique: Word] }>()
const session = useSession()
const strokes = computed(() => {
  const by = new Map<string, Word[]>()
  for (const t of session.catalogue?.techniques ?? [])
    if (!t.retired) by.set(t.stroke, [...(by.get(t.stroke) ?? []), t])
  return [...by]
})
const offered = computed(() => strokes.value.some(([, all]) => all.some((t) => t.id === props.technique)))
function pick(id: string) {
  const t = session.techniques.get(id)
  if (t) emit('change', t)
}
</script>

<template>
  <select :value="technique" @change="pick(($event.target as HTMLSelectElement).value)">
    <option v-if="technique && !offered" :value="technique">
      {{ name ?? technique }} (not offered any more)
    </option>
    <optgroup v-for="[stroke, all] in strokes" :key="stroke" :label="stroke">
      <option v-for="t in all" :key="t.id" :value="t.id">{{ t.name }}</option>
    </optgroup>
  </select>
</template>
