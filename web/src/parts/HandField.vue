<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import ChoiceField from './ChoiceField.vue'

type Tool = Schema['ToolWord']['id']

/** A hand: one of the trade's, or the school's own word for one. */
const props = defineProps<{ tool: Tool; hand?: string }>()
const emit = defineEmits<{ change: [tool: Tool, hand: string | undefined] }>()
const session = useSession()
const named = computed(() => [...(session.catalogue?.hands ?? []), ...(session.catalogue?.taughtHands ?? [])])
const own = (name: string) => `own ${name}`
const lines = (names: readonly string[]) => names.map((name) => ({ id: own(name), name }))
const offered = computed(() => {
  const { tools = [], hands = [], taughtHands = [] } = session.catalogue ?? {}
  const unknown = props.hand && !named.value.some((h) => h.name === props.hand) ? [props.hand] : []
  const groups = [
    { group: 'This school’s words', options: lines([...hands.map((h) => h.name), ...unknown]) },
    { group: 'As many teachers say', options: lines(taughtHands.map((h) => h.name)) },
  ]
  return [...tools, ...groups.filter((g) => g.options.length)]
})
function pick(value: string) {
  const word = named.value.find((h) => own(h.name) === value)
  if (word) emit('change', word.like, word.name)
  else emit('change', value as Tool, undefined)
}
</script>

<template>
  <ChoiceField
    label="Hand"
    :model-value="hand ? own(hand) : tool"
    :options="offered"
    @update:model-value="(v) => pick(v!)"
  />
</template>
