<script setup lang="ts">
import type { Schema } from '@/api/client'
import { doseKindValues } from '@/api/schema'
import { vTyped } from './typed'
import ChoiceField from './ChoiceField.vue'

type Dose = Schema['Dose']

/** A dose: how it is measured, and the numbers of that kind. */
const props = defineProps<{
  dose: Dose
  /** What it is the dose of, before the name of each field. */
  of?: string
}>()
const emit = defineEmits<{ change: [dose: Dose] }>()
const named = (field: string) => (props.of ? `${props.of}: ${field.toLowerCase()}` : undefined)
const num = (e: Event) => Number((e.target as HTMLInputElement).value) || undefined
const patch = (some: Partial<Dose>) => emit('change', { ...props.dose, ...some })

/** Another kind keeps the time where it can. */
function kind(k: Dose['kind']) {
  const d = props.dose
  const seconds = d.seconds ?? 10
  const count = d.count ?? 3
  emit(
    'change',
    k === 'seconds' || k === 'until-soft'
      ? {
          kind: k,
          seconds: d.kind === 'breaths' || d.count ? Math.min(3600, seconds * (d.count ?? 1)) : seconds,
        }
      : k === 'cycles'
        ? { kind: k, count: 60, perSecond: 1 }
        : { kind: k, seconds: k === 'breaths' ? 10 : Math.min(seconds, 60), count },
  )
}
</script>

<template>
  <ChoiceField
    :label="of ?? 'Dose'"
    :model-value="dose.kind"
    :options="doseKindValues"
    @update:model-value="(k) => kind(k as Dose['kind'])"
  />
  <div class="pair">
    <label v-if="dose.count !== undefined">
      Count
      <input
        v-typed="dose.count"
        type="number"
        min="1"
        max="1000"
        :aria-label="named('Count')"
        @change="num($event) && patch({ count: Math.round(num($event)!) })"
      />
    </label>
    <label v-if="dose.seconds !== undefined">
      Seconds
      <input
        v-typed="dose.seconds"
        type="number"
        min="1"
        max="3600"
        :aria-label="named('Seconds')"
        @change="num($event) && patch({ seconds: num($event) })"
      />
    </label>
    <label v-if="dose.perSecond !== undefined">
      A second
      <input
        v-typed="dose.perSecond"
        type="number"
        min="0.1"
        max="10"
        step="0.1"
        :aria-label="named('A second')"
        @change="num($event) && patch({ perSecond: num($event) })"
      />
    </label>
  </div>
</template>

<style scoped>
.pair {
  display: flex;
  gap: 8px;
}
label {
  display: flex;
  flex-direction: column;
  gap: 2px;
  font-size: 14px;
  font-weight: 600;
  flex: 1;
  min-width: 0;
}
input {
  width: 100%;
}
</style>
