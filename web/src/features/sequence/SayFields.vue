<script setup lang="ts">
import type { Schema } from '@/api/client'
import { sayingKindValues } from '@/api/schema'
import ChoiceField from '@/parts/ChoiceField.vue'
import { changedAt, without } from '@/parts/listed'
import { vTyped } from '@/parts/typed'
import { capital, word } from '@/parts/words'

type Saying = Schema['Saying']

/** What is said at a step: of which kind, at which second of it, in which words. */
const props = defineProps<{ say: readonly Saying[] }>()
const emit = defineEmits<{ change: [say: Saying[]] }>()
const KINDS = sayingKindValues.map((id) => ({ id, name: capital(word(id)) }))
const text = (e: Event) => (e.target as HTMLInputElement).value
const patch = (i: number, some: Partial<Saying>) => emit('change', changedAt(props.say, i, some))
const takeOut = (i: number) => emit('change', without(props.say, i))
</script>

<template>
  <fieldset class="wide">
    <legend>Words</legend>
    <div v-for="(s, i) in say" :key="i" class="say">
      <ChoiceField
        bare
        :label="`Kind of words ${i + 1}`"
        :model-value="s.kind"
        :options="KINDS"
        @update:model-value="(kind) => patch(i, { kind })"
      />
      <input
        v-typed="s.atSeconds"
        type="number"
        min="0"
        max="3600"
        :aria-label="`Second of words ${i + 1}`"
        @change="patch(i, { atSeconds: Math.max(0, Number(text($event)) || 0) })"
      />
      <button type="button" class="chip" :aria-label="`Take words ${i + 1} out`" @click="takeOut(i)">
        ×
      </button>
      <input
        v-typed="s.words"
        class="words"
        maxlength="400"
        :aria-label="`Words ${i + 1}`"
        @change="patch(i, { words: text($event) || undefined })"
      />
    </div>
    <button
      type="button"
      class="chip"
      @click="emit('change', [...say, { kind: 'pressure-question', atSeconds: 0 }])"
    >
      Add words
    </button>
  </fieldset>
</template>

<style scoped src="./form.css"></style>
<style scoped>
.say {
  display: grid;
  grid-template-columns: 1fr 70px 44px;
  gap: 6px;
  margin-bottom: 8px;
}
.words {
  grid-column: 1 / -1;
}
</style>
