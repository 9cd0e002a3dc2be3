<script setup lang="ts">
import { computed, reactive, watch } from 'vue'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import { clock } from './clock'
import { placeOf, type DayView, type Sitting, type useDay } from './useDay'

/** One practical of the day: begun from here, moved, locked or let go. */
const props = defineProps<{ of: ReturnType<typeof useDay>; day: DayView; sitting: Sitting }>()
const session = useSession()
const place = reactive({
  begins: undefined as number | undefined,
  table: undefined as number | undefined,
  client: undefined as string | undefined,
  grader: undefined as string | undefined,
  second: undefined as string | undefined,
  minutes: 20,
  twice: false,
})
function read() {
  const s = props.sitting
  place.begins = s.begins
  place.table = s.table
  place.client = s.client?.id
  place.grader = s.graders[0]?.id
  place.second = s.graders[1]?.id
  place.minutes = s.minutes
  place.twice = s.twice
}
const key = computed(() => JSON.stringify([props.sitting.id, placeOf(props.sitting)]))
watch(key, read, { immediate: true })
const changed = computed(() => {
  const s = props.sitting
  return (
    place.begins !== s.begins ||
    place.table !== s.table ||
    place.client !== s.client?.id ||
    place.grader !== s.graders[0]?.id ||
    place.second !== s.graders[1]?.id ||
    place.minutes !== s.minutes ||
    place.twice !== s.twice
  )
})
const times = computed(() => {
  const all = new Set(props.day.starts)
  if (props.sitting.begins !== undefined) all.add(props.sitting.begins)
  return [...all].sort((a, b) => a - b).map((t) => ({ id: t, name: clock(t) }))
})
const tables = computed(() =>
  Array.from({ length: props.day.tables }, (_, i) => ({ id: i + 1, name: String(i + 1) })),
)
const clients = computed(() => props.day.students.filter((s) => s.id !== props.sitting.student.id))
const graders = computed(() => props.day.staff.filter((s) => s.grades))
const wish = () => ({
  begins: place.begins,
  table: place.table,
  client: place.client,
  graders: [place.grader, place.second].filter((g): g is string => !!g),
  minutes: place.minutes,
  twice: place.twice,
})
const whole = computed(() => place.begins !== undefined && place.table !== undefined)
const put = () => props.of.put(props.sitting.id, { ...wish(), locked: true })
const lock = (locked: boolean) => props.of.put(props.sitting.id, { ...placeOf(props.sitting), locked })
const letGo = () =>
  props.of.put(props.sitting.id, { minutes: place.minutes, twice: place.twice, locked: false })
const mine = computed(() => props.sitting.graders[0]?.id === session.person?.id)
const longWay = computed(() => ({
  path: '/grade',
  query: {
    student: props.sitting.student.id,
    partner: props.sitting.client?.id,
    sequence: props.sitting.sequence,
    table: props.sitting.table,
    day: props.day.id,
    sitting: props.sitting.id,
    again: props.sitting.retakeOf,
  },
}))
</script>

<template>
  <section class="card panel" :aria-label="`Practical of ${sitting.student.name}`">
    <h2>{{ sitting.student.name }}</h2>
    <p class="soft">
      {{ sitting.sequenceName }}<template v-if="sitting.retakeOf">, a re-take</template>,
      {{ session.regionName(sitting.region) }}, {{ sitting.minutes }} min
    </p>
    <p v-if="sitting.lacks" class="warn">{{ sitting.lacks }}</p>
    <template v-if="sitting.practical">
      <router-link class="push main" :to="(sitting.finished ? '/review/' : '/grade/') + sitting.practical">{{
        sitting.finished ? 'Its review' : mine ? 'Go on at the table' : 'See the table'
      }}</router-link>
    </template>
    <template v-else>
      <div v-if="sitting.begins !== undefined && !day.searching" class="acts">
        <button class="push main" :disabled="of.busy.value || changed" @click="of.start(sitting)">
          Start: nothing to spare today
        </button>
        <router-link class="push" :to="longWay">Something to spare…</router-link>
      </div>
      <form v-if="session.plans" @submit.prevent="put">
        <div class="two">
          <ChoiceField v-model="place.begins" label="Time" none="to be found" :options="times" />
          <ChoiceField v-model="place.table" label="Table" none="to be found" :options="tables" />
        </div>
        <ChoiceField v-model="place.client" label="On the table" none="nobody yet" :options="clients" />
        <ChoiceField v-model="place.grader" label="Grades" none="nobody yet" :options="graders" />
        <ChoiceField
          v-if="place.twice || place.second"
          v-model="place.second"
          label="Marks beside"
          none="nobody yet"
          :options="graders.filter((g) => g.id !== place.grader)"
        />
        <div class="two">
          <label class="field above"
            >Minutes <input v-model.number="place.minutes" type="number" min="5" max="240"
          /></label>
          <label class="tick"><input v-model="place.twice" type="checkbox" /> Two graders</label>
        </div>
        <div class="acts">
          <button class="push" :class="{ main: changed }" :disabled="of.busy.value || !changed || !whole">
            Put it there
          </button>
          <button
            v-if="sitting.begins !== undefined"
            class="push"
            type="button"
            :aria-pressed="sitting.locked"
            :disabled="of.busy.value || changed"
            @click="lock(!sitting.locked)"
          >
            {{ sitting.locked ? 'Unlock' : 'Lock it there' }}
          </button>
          <button class="push" type="button" :disabled="of.busy.value" @click="letGo">Find it a place</button>
          <button class="push" type="button" :disabled="of.busy.value" @click="of.remove(sitting)">
            Take it out
          </button>
        </div>
      </form>
    </template>
  </section>
</template>

<style scoped>
.panel,
form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: end;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.warn {
  color: var(--warn);
  font-weight: 650;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: var(--target);
}
.tick input {
  width: 24px;
  height: 24px;
}
input[type='number'] {
  width: 100%;
}
</style>
