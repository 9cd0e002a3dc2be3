<script setup lang="ts">
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { vTyped } from '@/parts/typed'
import { changeTime, DAYS, timesFor, withLabs, type Curriculum } from './term'
import ChoiceField from '@/parts/ChoiceField.vue'
import { HOUR_KINDS } from '@/parts/hours'
import { capital } from '@/parts/words'

/** How long a term is, when its labs are held, and how many hours are asked for. */
const props = defineProps<{ curriculum: Curriculum; regions: Schema['TermChecksView']['regions'] }>()
const emit = defineEmits<{ act: [what: string, next: Curriculum] }>()
const session = useSession()
const NUMBERS = [
  { field: 'weeks', name: 'Weeks', min: 1, max: 60 },
  { field: 'labsAWeek', name: 'Labs a week', min: 1, max: 7 },
  { field: 'labMinutes', name: 'Minutes a lab', min: 10, max: 480 },
  { field: 'targetHours', name: 'Hours asked for', min: 0, max: undefined },
] as const
const typed = (e: Event) => (e.target as HTMLInputElement | HTMLSelectElement).value
const set = (what: string, patch: Partial<Curriculum>) => emit('act', what, { ...props.curriculum, ...patch })
function setNumber(of: (typeof NUMBERS)[number], e: Event) {
  const value = Number(typed(e))
  if (!Number.isFinite(value)) return
  if (of.field === 'labsAWeek') emit('act', of.name, withLabs(props.curriculum, value))
  else set(of.name, { [of.field]: value })
}
const setTime = (what: string, lab: number, patch: Parameters<typeof changeTime>[2]) =>
  emit('act', `${what} of a lab`, changeTime(props.curriculum, lab, patch))
function setHours(region: string, e: Event) {
  const regionHours = { ...props.curriculum.regionHours }
  const value = Number(typed(e))
  if (value > 0) regionHours[region] = value
  else delete regionHours[region]
  set(`Hours of ${session.regionName(region).toLowerCase()}`, { regionHours })
}
function setKind(kind: string, name: string, e: Event) {
  const kindHours = { ...props.curriculum.kindHours } as Record<string, number>
  const value = Number(typed(e))
  if (value > 0) kindHours[kind] = value
  else delete kindHours[kind]
  set(`Hours of ${name}`, { kindHours })
}
</script>

<template>
  <label class="wide"
    >Name
    <input
      v-typed="curriculum.name"
      maxlength="200"
      @change="set('Name', { name: typed($event) || curriculum.name })"
  /></label>
  <div class="four">
    <label v-for="n in NUMBERS" :key="n.field"
      >{{ n.name }}
      <input
        v-typed="curriculum[n.field]"
        type="number"
        :min="n.min"
        :max="n.max"
        @change="setNumber(n, $event)"
    /></label>
  </div>
  <fieldset v-if="curriculum.times.length" class="times">
    <legend>When labs are held</legend>
    <template v-for="(t, i) in curriculum.times" :key="i">
      <span class="soft">Lab {{ i + 1 }}</span>
      <input
        v-typed="t.room"
        maxlength="40"
        placeholder="room"
        :aria-label="`Room of lab ${i + 1}`"
        @change="setTime('Room', i + 1, { room: typed($event) })"
      />
      <ChoiceField
        :label="`Day of lab ${i + 1}`"
        bare
        :model-value="t.day"
        :options="DAYS.map((name, n) => ({ id: n + 1, name }))"
        @update:model-value="(day) => setTime('Day', i + 1, { day: Number(day) })"
      />
      <input
        v-typed="t.begins"
        type="time"
        :aria-label="`Lab ${i + 1} begins`"
        @change="setTime('Time', i + 1, { begins: typed($event) || t.begins })"
      />
    </template>
    <button class="push" @click="set('No times for labs', { times: [] })">No times</button>
  </fieldset>
  <button
    v-else
    class="push"
    @click="set('Times for labs', { times: timesFor(curriculum, curriculum.labsAWeek) })"
  >
    Say when labs are held
  </button>
  <table class="lines">
    <thead>
      <tr>
        <th>Region</th>
        <th>planned</th>
        <th>asked for, h</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in regions" :key="r.region">
        <td>{{ session.regionName(r.region) }}</td>
        <td>{{ Math.round(10 * r.hours) / 10 }}</td>
        <td>
          <input
            v-typed="curriculum.regionHours[r.region] ?? ''"
            type="number"
            min="0"
            class="slim"
            :aria-label="`Hours asked for, ${session.regionName(r.region)}`"
            @change="setHours(r.region, $event)"
          />
        </td>
      </tr>
    </tbody>
  </table>
  <table class="lines">
    <thead>
      <tr>
        <th>Kind of hours</th>
        <th>asked for, h</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="k in HOUR_KINDS" :key="k.id">
        <td>{{ capital(k.name) }}</td>
        <td>
          <input
            v-typed="curriculum.kindHours[k.id] ?? ''"
            type="number"
            min="0"
            class="slim"
            :aria-label="`Hours asked for, ${k.name}`"
            @change="setKind(k.id, k.name, $event)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="./fields.css"></style>
<style scoped>
.times {
  border: 0;
  padding: 0;
  margin: 10px 0;
}
.times,
.four {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  align-items: center;
}
input.slim {
  width: 72px;
}
legend {
  font-weight: 650;
}
</style>
