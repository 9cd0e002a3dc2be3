<script setup lang="ts">
import { clientPartDoesValues } from '@/api/schema'
import ChoiceField from '@/parts/ChoiceField.vue'
import { changedAt, without } from '@/parts/listed'
import { vTyped } from '@/parts/typed'
import { positive, type Detail } from './detail'

type Part = Detail['part']

/** What the client does in a step, in order: how often, how long, how strongly. */
const props = defineProps<{ part: Part; words?: string }>()
const emit = defineEmits<{ change: [part: Part]; words: [words: string | undefined] }>()
const NUMBERS = [
  { key: 'times', name: 'Times', sign: 'times', most: 50 },
  { key: 'seconds', name: 'Seconds', sign: 's', most: 600 },
  { key: 'percent', name: 'Strength', sign: '%', most: 100 },
] as const
const patch = (i: number, some: Partial<Part[number]>) => emit('change', changedAt(props.part, i, some))
const takeOut = (i: number) => emit('change', without(props.part, i))
</script>

<template>
  <fieldset class="wide">
    <legend>Client’s part, in order</legend>
    <div v-for="(p, i) in part" :key="i" class="part">
      <ChoiceField
        bare
        :label="`Part ${i + 1}`"
        :model-value="p.does"
        :options="clientPartDoesValues"
        @update:model-value="(does) => patch(i, { does })"
      />
      <input
        v-for="n in NUMBERS"
        :key="n.key"
        v-typed="p[n.key]"
        type="number"
        min="1"
        :max="n.most"
        :placeholder="n.sign"
        :aria-label="`${n.name} of part ${i + 1}`"
        @change="patch(i, { [n.key]: positive($event) })"
      />
      <button type="button" class="chip" :aria-label="`Take part ${i + 1} out`" @click="takeOut(i)">×</button>
    </div>
    <span class="row">
      <button type="button" class="chip" @click="emit('change', [...part, { does: 'breathes-out' }])">
        Add a part
      </button>
      <input
        v-typed="words"
        class="own"
        aria-label="Client’s part in own words"
        placeholder="in own words"
        maxlength="200"
        @change="emit('words', ($event.target as HTMLInputElement).value.trim() || undefined)"
      />
    </span>
  </fieldset>
</template>

<style scoped src="./form.css"></style>
<style scoped>
legend {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.own {
  flex: 1 1 100%;
}
.part {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 62px 62px 62px 44px;
  gap: 6px;
  margin-bottom: 8px;
}
</style>
