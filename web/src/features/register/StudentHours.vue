<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { HOUR_KINDS, hourKindName, type HourKind } from '@/parts/hours'
import { offerUndo } from '@/parts/undoOffer'
import { capital, day } from '@/parts/words'
import HoursOf from './HoursOf.vue'
import { dateOf } from '@/parts/when'

/** The hours of one student as staff sees them: what they are made of, what was missed, and what is entered by hand. */
const props = defineProps<{ term: string; student: string }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const path = computed(() => ({ term: props.term, student: props.student }))
const { data, problem, loading, again } = useAsked(() =>
  ask(api.GET('/api/terms/{term}/hours/{student}', { params: { path: path.value } })),
)
const { busy, failed, during } = useCommand()
const entered = ref({ kind: 'own-practice' as HourKind, minutes: 60, on: dateOf(), note: '' })
const kinds = HOUR_KINDS.map((k) => ({ id: k.id, name: capital(k.name) }))

async function enter(body: Schema['NewHours']) {
  if (
    !(await during(() =>
      ask(api.POST('/api/terms/{term}/hours/{student}', { params: { path: path.value }, body })),
    ))
  )
    return
  await again()
  emit('changed')
}
const add = () => enter({ id: crypto.randomUUID(), ...entered.value })
/** A part that was missed was made up today, all of it. */
const makeUp = (m: Schema['Missed']) =>
  enter({
    id: crypto.randomUUID(),
    kind: m.kind,
    minutes: m.minutes,
    on: dateOf(),
    week: m.place.week,
    lab: m.place.lab,
    note: '',
  })
async function withdraw(e: Schema['EnteredHours']) {
  const gone = await during(() =>
    ask(
      api.DELETE('/api/terms/{term}/hours/{student}/{entry}', {
        params: { path: { ...path.value, entry: e.id } },
      }),
    ),
  )
  if (!gone) return
  await again()
  emit('changed')
  offerUndo(`${capital(hourKindName(e.kind))}, ${Math.round(e.minutes)} min, taken back.`, async () => {
    await enter({
      id: crypto.randomUUID(),
      kind: e.kind,
      minutes: e.minutes,
      on: e.on,
      week: e.madeUp?.week,
      lab: e.madeUp?.lab,
      note: e.note,
    })
  })
}
const regionOf = (m: Schema['Missed']) => (m.region ? ` ${session.regionName(m.region).toLowerCase()}` : '')
</script>

<template>
  <Standing :problem="problem" :loading="loading && !data" @again="again" />
  <template v-if="data">
    <HoursOf :hours="data.hours" />
    <div v-if="data.hours.missed.length">
      <h3>Missed</h3>
      <ul class="plain">
        <li v-for="(m, i) in data.hours.missed" :key="i">
          <span>
            <strong>{{ capital(hourKindName(m.kind)) }}{{ regionOf(m) }}</strong>
            {{ Math.round(m.minutes) }} min, week {{ m.place.week }}, lab {{ m.place.lab }}
            <span v-if="m.again" class="soft"
              >comes again in week {{ m.again.week }}, lab {{ m.again.lab }}</span
            >
          </span>
          <button class="push" :disabled="busy" @click="makeUp(m)">Made up</button>
        </li>
      </ul>
    </div>
    <div v-if="data.hours.entered.length">
      <h3>Entered</h3>
      <ul class="plain">
        <li v-for="e in data.hours.entered" :key="e.id">
          <span>
            <strong>{{ capital(hourKindName(e.kind)) }}</strong> {{ Math.round(e.minutes) }} min,
            {{ day(e.on) }}
            <span v-if="e.madeUp" class="soft">for week {{ e.madeUp.week }}, lab {{ e.madeUp.lab }}</span>
            <span v-if="e.note" class="soft">{{ e.note }}</span>
          </span>
          <button
            class="push"
            :disabled="busy"
            :aria-label="`Take back ${hourKindName(e.kind)}`"
            @click="withdraw(e)"
          >
            ×
          </button>
        </li>
      </ul>
    </div>
    <form class="enter" @submit.prevent="add">
      <h3>Enter hours</h3>
      <ChoiceField v-model="entered.kind" label="Kind" :options="kinds" />
      <label class="field"
        >Minutes <input v-model.number="entered.minutes" type="number" min="1" max="1440" class="slim"
      /></label>
      <label class="field">Day <input v-model="entered.on" type="date" :max="dateOf()" /></label>
      <label class="field note"
        >Note <input v-model="entered.note" maxlength="200" placeholder="where, with whom"
      /></label>
      <Failed :of="failed" />
      <button class="push main" :disabled="busy || !(entered.minutes > 0)">Enter</button>
    </form>
  </template>
</template>

<style scoped>
.plain {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
.plain li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
  font-size: 15px;
}
.plain .soft {
  display: block;
  font-size: 14px;
}
.enter {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.enter h3 {
  flex-basis: 100%;
}
.note {
  flex: 1 1 100%;
}
.note input {
  flex: 1;
}
input.slim {
  width: 84px;
}
</style>
