<script setup lang="ts">
import { branchThenValues, branchWhenValues } from '@/api/schema'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import { changedAt, without } from '@/parts/listed'
import { vTyped } from '@/parts/typed'
import type { Detail } from './detail'

type Instead = Detail['instead']

/** What is done instead of a step when something comes up. */
const props = defineProps<{ instead: Instead }>()
const emit = defineEmits<{ change: [instead: Instead] }>()
const session = useSession()
const patch = (i: number, some: Partial<Instead[number]>) => emit('change', changedAt(props.instead, i, some))
const takeOut = (i: number) => emit('change', without(props.instead, i))
</script>

<template>
  <fieldset class="wide">
    <legend>Instead, when something comes up</legend>
    <div v-for="(b, i) in instead" :key="i" class="branch">
      <ChoiceField
        bare
        :label="`What comes up, ${i + 1}`"
        :model-value="b.when"
        :options="branchWhenValues"
        @update:model-value="(when) => patch(i, { when })"
      />
      <ChoiceField
        bare
        :label="`What is done then, ${i + 1}`"
        :model-value="b.then"
        :options="branchThenValues"
        @update:model-value="(then) => patch(i, { then })"
      />
      <button type="button" class="chip" :aria-label="`Take ${i + 1} out`" @click="takeOut(i)">×</button>
      <ChoiceField
        bare
        :label="`Hand then, ${i + 1}`"
        :model-value="b.tool"
        :options="session.catalogue?.tools"
        none="same hand"
        @update:model-value="(tool) => patch(i, { tool })"
      />
      <input
        v-typed="b.words"
        maxlength="400"
        placeholder="in own words"
        :aria-label="`In own words, ${i + 1}`"
        @change="patch(i, { words: ($event.target as HTMLInputElement).value.trim() || undefined })"
      />
    </div>
    <button
      type="button"
      class="chip"
      @click="emit('change', [...instead, { when: 'hurts', then: 'broader', zones: [] }])"
    >
      Add what is done instead
    </button>
  </fieldset>
</template>

<style scoped src="./form.css"></style>
<style scoped>
legend {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
}
.branch {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 44px;
  gap: 6px;
  margin-bottom: 10px;
}
.branch > input {
  grid-column: 2 / -1;
}
</style>
