<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import { FINGERS } from '@/parts/criteria'
import { type Column, USES, type Use, ofUse } from './earlier'

/** What each column of a table of marks holds, with its first cells beside it. */
const props = defineProps<{ seen: Schema['MarksPreview'] }>()
const emit = defineEmits<{ say: [columns: Column[]] }>()
const session = useSession()
const regions = computed(() => session.catalogue?.regions ?? [])
const columns = computed(() => props.seen.mapping.columns)
const say = (at: number, column: Column) =>
  emit(
    'say',
    columns.value.map((c, i) => (i === at ? column : c)),
  )
const scaled = (at: number, end: 'worst' | 'best', event: Event) => {
  const c = columns.value[at]!
  const value = Number((event.target as HTMLInputElement).value.replace(',', '.'))
  if (Number.isFinite(value)) say(at, { ...c, scale: { ...c.scale!, [end]: value } })
}
const named = (i: number) => props.seen.head[i] || `column ${i + 1}`
</script>

<template>
  <table class="lines">
    <thead>
      <tr>
        <th>Column</th>
        <th>First cells</th>
        <th>Holds</th>
        <th>Of which criterion and region</th>
        <th>Worth 0 and worth 100</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(c, i) in columns" :key="i" :class="{ soft: c.use === 'nothing' }">
        <th scope="row">{{ named(i) }}</th>
        <td class="cells">{{ seen.samples[i]!.join(' · ') }}</td>
        <td class="holds">
          <ChoiceField
            bare
            :label="`${named(i)} holds`"
            :options="USES"
            :model-value="c.use"
            @update:model-value="(u) => say(i, ofUse(c, u as Use))"
          />
        </td>
        <td>
          <div v-if="c.use === 'mark'" class="fields">
            <ChoiceField
              bare
              :label="`Criterion of ${named(i)}`"
              none="the whole"
              :options="FINGERS.map((f) => ({ id: f.id, name: f.name }))"
              :model-value="c.criterion"
              @update:model-value="(x) => say(i, { ...c, criterion: x as Column['criterion'] })"
            />
            <ChoiceField
              bare
              :label="`Region of ${named(i)}`"
              none="as its row says"
              :options="regions"
              :model-value="c.region"
              @update:model-value="(x) => say(i, { ...c, region: x as Column['region'] })"
            />
          </div>
        </td>
        <td>
          <div v-if="c.scale" class="fields">
            <input
              inputmode="decimal"
              :value="c.scale.worst"
              :aria-label="`${named(i)}: worth 0`"
              @change="scaled(i, 'worst', $event)"
            />
            <input
              inputmode="decimal"
              :value="c.scale.best"
              :aria-label="`${named(i)}: worth 100`"
              @change="scaled(i, 'best', $event)"
            />
          </div>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.cells {
  max-width: 170px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.fields:has(.choice) {
  min-width: 300px;
}
.fields > :deep(.choice) {
  flex: 1 1 120px;
}
.fields input {
  width: 66px;
}
.holds {
  min-width: 172px;
}
</style>
