<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import ChoiceField from './ChoiceField.vue'

type Word = Schema['TechniqueWord']

/** A technique among those that are offered, by stroke; one that is not offered any more stays where it is used. */
const props = defineProps<{ label: string; technique: string; name?: string }>()
const emit = defineEmits<{ change: [technique: Word] }>()
const session = useSession()
const strokes = computed(() => {
  const by = new Map<string, Word[]>()
  for (const t of session.catalogue?.techniques ?? [])
    if (!t.retired) by.set(t.stroke, [...(by.get(t.stroke) ?? []), t])
  return by
})
const options = computed(() => {
  const { technique, name = technique } = props
  const groups = [...strokes.value].map(([group, options]) => ({ group, options }))
  return technique && !groups.some((g) => g.options.some((t) => t.id === technique))
    ? [{ id: technique, name: `${name} (not offered any more)` }, ...groups]
    : groups
})
function pick(id: string) {
  const t = session.techniques.get(id)
  if (t) emit('change', t)
}
</script>

<template>
  <ChoiceField
    :label
    :model-value="technique"
    :options="options"
    @update:model-value="(id) => pick(String(id))"
  />
</template>
