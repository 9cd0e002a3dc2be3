<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'
import { HOUR_KINDS, hourKindName } from '@/parts/hours'
import { changedAt, without } from '@/parts/listed'
import { capital, day } from '@/parts/words'
import type { Sheet } from './useRegister'
import { timeOf } from '@/parts/when'

/** What the lab is made of by its clock: that is what the hours of those who are there count as. It can be put right. */
const props = defineProps<{
  sheet: Sheet
  term: string
  place: { week: number; lab: number }
  into?: number
}>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
type Part = Schema['LabPart']

const edited = ref<{ minutes: number; parts: Part[] }>()
watch(
  () => `${props.place.week}.${props.place.lab}`,
  () => (edited.value = undefined),
)
const shown = computed(() => edited.value ?? props.sheet)
/** Each part with its minutes by the clock, the open ones last. */
const spans = computed(() => {
  const { minutes, parts } = shown.value
  let at = 0
  const all = parts.map((p) => {
    const from = at
    at = Math.min(minutes, at + p.minutes)
    return { kind: p.kind as string, region: p.region, from, to: at }
  })
  if (at < minutes) all.push({ kind: '', region: undefined, from: at, to: minutes })
  return all.filter((s) => s.to > s.from)
})
const clock = (minutes: number) =>
  props.sheet.begins
    ? timeOf(new Date(props.sheet.begins).getTime() + minutes * 60_000)
    : `${Math.round(minutes)} min`
const IN_LABS = HOUR_KINDS.filter((k) => k.inLabs).map((k) => ({ id: k.id, name: capital(k.name) }))
const regions = computed(() => session.catalogue?.regions ?? [])
const { busy, failed, during } = useCommand()
const edit = () =>
  (edited.value = { minutes: props.sheet.minutes, parts: props.sheet.parts.map((p) => ({ ...p })) })
function change(at: number, patch: Partial<Part>) {
  if (edited.value) edited.value = { ...edited.value, parts: changedAt(edited.value.parts, at, patch) }
}
async function save() {
  const body = edited.value
  if (!body) return
  const done = await during(() =>
    ask(
      api.PUT('/api/terms/{term}/register/{week}/{lab}', {
        params: { path: { term: props.term, ...placeOf() } },
        body,
      }),
    ),
  )
  if (!done) return
  edited.value = undefined
  emit('changed')
}
const placeOf = () => ({ week: props.place.week, lab: props.place.lab })
const number = (e: Event) => Number((e.target as HTMLInputElement).value)
</script>

<template>
  <section class="card made" aria-label="What the lab is made of">
    <h2>Week {{ place.week }}, lab {{ place.lab }}</h2>
    <p class="soft">
      <template v-if="sheet.begins"
        >{{ day(sheet.begins) }}, {{ clock(0) }} to {{ clock(shown.minutes) }}</template
      >
      <template v-else>{{ shown.minutes }} minutes; the plan gives labs no time yet</template>
      {{ sheet.room ? ` · ${sheet.room}` : '' }}
    </p>
    <template v-if="!edited">
      <ol class="spans">
        <li
          v-for="(s, i) in spans"
          :key="i"
          :class="[s.kind || 'open', { now: into !== undefined && into >= s.from && into < s.to }]"
          :style="{ flexGrow: s.to - s.from, minHeight: '36px' }"
        >
          <span class="at">{{ clock(s.from) }}</span>
          <span>
            <strong>{{ s.kind ? capital(hourKindName(s.kind)) : 'Open' }}</strong>
            {{ s.region ? session.regionName(s.region).toLowerCase() : '' }}
          </span>
          <span class="soft">{{ Math.round(s.to - s.from) }} min</span>
        </li>
      </ol>
      <p class="soft">
        {{
          sheet.held
            ? 'As it was held. Hours count by these parts.'
            : 'As it is planned; it is kept when the first is marked.'
        }}
      </p>
      <button v-if="!sheet.archived" class="push" @click="edit">It was otherwise</button>
    </template>
    <form v-else class="edit" @submit.prevent="save">
      <label class="field"
        >Minutes in all
        <input
          type="number"
          min="1"
          max="480"
          class="slim"
          :value="edited.minutes"
          @change="edited.minutes = number($event)"
      /></label>
      <fieldset v-for="(p, i) in edited.parts" :key="i">
        <legend class="sr">Part {{ i + 1 }}</legend>
        <ChoiceField
          bare
          label="Kind"
          :model-value="p.kind"
          :options="IN_LABS"
          @update:model-value="(kind) => kind && change(i, { kind })"
        />
        <ChoiceField
          bare
          label="Region"
          none="no region"
          :model-value="p.region"
          :options="regions"
          @update:model-value="(region) => change(i, { region: region as Part['region'] })"
        />
        <input
          type="number"
          min="1"
          max="480"
          class="slim"
          aria-label="Minutes"
          :value="p.minutes"
          @change="change(i, { minutes: number($event) })"
        />
        <button
          type="button"
          class="push"
          :aria-label="`Take out part ${i + 1}`"
          @click="edited.parts = without(edited.parts, i)"
        >
          ×
        </button>
      </fieldset>
      <button
        type="button"
        class="push"
        @click="edited.parts = [...edited.parts, { kind: 'supervised-practice', minutes: 30 }]"
      >
        Add a part
      </button>
      <Failed :of="failed" />
      <div class="acts">
        <button class="push main" :disabled="busy">Save</button>
        <button type="button" class="push" @click="edited = undefined">Leave as it was</button>
      </div>
    </form>
  </section>
</template>

<style scoped>
.made {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.spans {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 3px;
  min-height: 220px;
}
.spans li {
  display: grid;
  grid-template-columns: 52px 1fr auto;
  gap: 8px;
  align-items: center;
  padding: 4px 8px;
  border-radius: 10px;
  background: var(--ground);
  border: 1.5px solid var(--line);
  font-size: 15px;
}
.spans .open {
  border-style: dashed;
  background: none;
}
.spans .now {
  border-color: var(--ink);
  border-width: 2px;
}
.at {
  font-variant-numeric: tabular-nums;
}
.edit,
.edit fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.edit {
  flex-direction: column;
}
fieldset {
  border: 0;
  border-bottom: 1px solid var(--line);
  padding: 0 0 8px;
  margin: 0;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
input.slim {
  width: 84px;
}
</style>
