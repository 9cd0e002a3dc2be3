<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'
import { capital } from '@/parts/words'
import type { Choices } from './useChoices'

/** What answers that are not saved yet would change in a sequence. */
const props = defineProps<{ profile: string; made: Choices; dirty: boolean }>()
const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))
const sequence = ref('')
watch(sequences, (all) => (sequence.value ||= all?.[0]?.id ?? ''))
const effect = ref<Schema['TryView']>()
const failed = ref<Problem>()
let turn = 0
watch([() => props.made, sequence], async () => {
  const mine = ++turn
  if (!sequence.value) return
  const params = { path: { id: props.profile } }
  const body = { sequence: sequence.value, ...props.made } as Schema['ProfileChanges']
  try {
    const answer = await ask(api.POST('/api/profiles/{id}/try', { params, body }))
    if (mine !== turn) return
    effect.value = answer
    failed.value = undefined
  } catch (e) {
    if (mine === turn) failed.value = e as Problem
  }
})
</script>

<template>
  <aside class="card effect" aria-label="What it changes">
    <h2>What it changes</h2>
    <Failed :of="failed" />
    <ChoiceField
      label="in"
      :model-value="sequence"
      :options="sequences"
      @update:model-value="(v) => (sequence = v!)"
    />
    <p v-if="!dirty" class="soft">
      Nothing yet: change an answer and see here what a sequence would be told.
    </p>
    <p v-else-if="effect && !effect.come.length && !effect.gone.length" class="soft">
      Nothing in this sequence.
    </p>
    <article v-for="f in dirty ? effect?.come : []" :key="'+' + f.key" :class="f.severity">
      <strong>New: {{ capital(f.severity) }}</strong> <span class="soft small">{{ f.rule }}</span>
      <p>{{ f.sentence }}</p>
    </article>
    <article v-for="f in dirty ? effect?.gone : []" :key="'-' + f.key" class="gone">
      <strong>No longer: {{ capital(f.severity) }}</strong> <span class="soft small">{{ f.rule }}</span>
      <p>{{ f.sentence }}</p>
    </article>
  </aside>
</template>

<style scoped>
.effect {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.small {
  font-size: 13.5px;
}
article {
  border-left: 5px solid var(--hint);
  padding-left: 12px;
}
article.stop {
  border-color: var(--stop);
}
article.warn {
  border-color: var(--warn);
}
article.gone {
  border-color: var(--good);
}
</style>
