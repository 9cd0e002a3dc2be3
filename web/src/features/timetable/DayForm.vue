<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import ChoiceField from '@/parts/ChoiceField.vue'
import { clock, minutesOf } from './clock'
import { retakeName, retakeWish, type DayView } from './useDay'
import { dateOf } from '@/parts/when'

/** What a day of practicals is to be like: a new one with who shows what, or one that is there. */
const props = defineProps<{ term: string; day?: DayView; busy: boolean }>()
const emit = defineEmits<{ done: [Schema['DayWish']]; close: [] }>()
const path = { term: props.term }
const { data: people } = useAsked(() => ask(api.GET('/api/terms/{term}/people', { params: { path } })))
const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))
const students = computed(() => people.value?.filter((p) => p.role === 'student') ?? [])
const staff = computed(() => people.value?.filter((p) => p.role !== 'student') ?? [])

const d = props.day
const wish = reactive({
  heldOn: d?.heldOn ?? dateOf(Date.now() + 86_400_000),
  from: clock(d?.from ?? 540),
  until: clock(d?.until ?? 720),
  minutes: d?.minutes ?? 20,
  changeOver: d?.changeOver ?? 5,
  tables: d?.tables ?? 4,
  tablesAGrader: d?.tablesAGrader ?? 1,
  breaks: (d?.breaks ?? []).map((b) => ({ from: clock(b.from), until: clock(b.until) })),
  graders: d?.staff.filter((s) => s.grades).map((s) => s.id as string) ?? [],
  sequence: '',
  twice: false,
  students: [] as string[],
  retakes: [] as string[],
})
watch(staff, (s) => {
  if (!d && !wish.graders.length) wish.graders = s.map((p) => p.id)
})
watch(sequences, (s) => (wish.sequence ||= s?.find((x) => !x.damaged)?.id ?? ''))
/** Those who have shown it in this term: at first all others are asked. */
const had = ref<string[]>()
const waiting = () => students.value.map((s) => s.id as string).filter((id) => !had.value?.includes(id))
watch(
  () => [wish.sequence, students.value.length],
  async () => {
    if (d || !wish.sequence || !students.value.length) return
    const asked = wish.sequence
    had.value = await ask(
      api.GET('/api/terms/{term}/sequences/{sequence}/students', {
        params: { path: { ...path, sequence: asked } },
      }),
    ).catch(() => [])
    if (asked === wish.sequence) wish.students = waiting()
  },
)
/** What was not passed and is on no day yet. */
const { data: owed } = useAsked(async () =>
  d ? [] : ask(api.GET('/api/terms/{term}/retakes', { params: { path } })),
)
const again = computed(() => owed.value?.filter((r) => wish.retakes.includes(r.practical)) ?? [])
const asked = computed(() => wish.students.length + again.value.length)
const toggle = (list: 'students' | 'graders' | 'retakes', id: string) =>
  (wish[list] = wish[list].includes(id) ? wish[list].filter((x) => x !== id) : [...wish[list], id])

function send() {
  const from = minutesOf(wish.from)
  const until = minutesOf(wish.until)
  emit('done', {
    heldOn: wish.heldOn,
    from,
    until,
    minutes: wish.minutes,
    changeOver: wish.changeOver,
    tables: wish.tables,
    tablesAGrader: wish.tablesAGrader,
    breaks: wish.breaks.map((b) => ({ from: minutesOf(b.from) ?? 0, until: minutesOf(b.until) ?? 0 })),
    graders: wish.graders,
    sittings: d
      ? undefined
      : [
          ...wish.students.map((student) => ({ student, sequence: wish.sequence, twice: wish.twice })),
          ...again.value.map((r) => ({ ...retakeWish(r), twice: wish.twice })),
        ],
  })
}
</script>

<template>
  <form
    class="card form"
    :aria-label="day ? 'Change the day' : 'New day of practicals'"
    @submit.prevent="send"
  >
    <div class="row">
      <label class="field above">Day <input v-model="wish.heldOn" type="date" required /></label>
      <label class="field above">From <input v-model="wish.from" type="time" required /></label>
      <label class="field above">Until <input v-model="wish.until" type="time" required /></label>
      <label class="field above"
        >Minutes each <input v-model.number="wish.minutes" type="number" min="5" max="240" required
      /></label>
      <label class="field above"
        >Change-over <input v-model.number="wish.changeOver" type="number" min="0" max="60" required
      /></label>
      <label class="field above"
        >Tables <input v-model.number="wish.tables" type="number" min="1" max="40" required
      /></label>
      <label class="field above"
        >Tables a grader <input v-model.number="wish.tablesAGrader" type="number" min="1" max="8" required
      /></label>
    </div>
    <div v-for="(b, i) in wish.breaks" :key="i" class="row">
      <label class="field above">Break from <input v-model="b.from" type="time" required /></label>
      <label class="field above">to <input v-model="b.until" type="time" required /></label>
      <button class="push" type="button" aria-label="No such break" @click="wish.breaks.splice(i, 1)">
        ×
      </button>
    </div>
    <button class="push add" type="button" @click="wish.breaks.push({ from: clock(630), until: clock(645) })">
      Add a break
    </button>
    <fieldset>
      <legend>Who grades</legend>
      <button
        v-for="p in staff"
        :key="p.id"
        class="push"
        type="button"
        :class="{ main: wish.graders.includes(p.id) }"
        :aria-pressed="wish.graders.includes(p.id)"
        @click="toggle('graders', p.id)"
      >
        {{ p.name }}
      </button>
    </fieldset>
    <template v-if="!day">
      <div class="row">
        <ChoiceField
          v-model="wish.sequence"
          class="long"
          label="What is shown"
          required
          :options="sequences"
        />
        <label class="tick"><input v-model="wish.twice" type="checkbox" /> Two graders mark each</label>
      </div>
      <fieldset>
        <legend>Who shows it</legend>
        <button
          v-for="s in students"
          :key="s.id"
          class="push"
          type="button"
          :class="{ main: wish.students.includes(s.id) }"
          :aria-pressed="wish.students.includes(s.id)"
          @click="toggle('students', s.id)"
        >
          {{ s.name }}<template v-if="had?.includes(s.id)">, shown</template>
        </button>
        <button v-if="wish.students.length" class="push plain" type="button" @click="wish.students = []">
          None of them
        </button>
        <button v-else class="push plain" type="button" @click="wish.students = waiting()">
          All who have not
        </button>
      </fieldset>
      <fieldset v-if="owed?.length">
        <legend>Re-takes that are owed</legend>
        <button
          v-for="r in owed"
          :key="r.practical"
          class="push"
          type="button"
          :class="{ main: wish.retakes.includes(r.practical) }"
          :aria-pressed="wish.retakes.includes(r.practical)"
          @click="toggle('retakes', r.practical)"
        >
          {{ retakeName(r) }}
        </button>
      </fieldset>
    </template>
    <div class="row">
      <button class="push main" :disabled="busy || (!day && !asked)">
        {{ day ? 'Change it' : `Find times for ${asked}` }}
      </button>
      <button class="push" type="button" @click="emit('close')">Close</button>
    </div>
  </form>
</template>

<style scoped>
.form,
fieldset {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.row,
fieldset {
  display: flex;
  flex-flow: row wrap;
  gap: 8px 14px;
  align-items: flex-end;
}
fieldset {
  border: 0;
  padding: 0;
  gap: 8px;
}
legend {
  font-weight: 600;
  padding: 0 0 6px;
}
input[type='number'] {
  width: 108px;
}
.long {
  min-width: 240px;
}
.plain {
  border-style: dashed;
}
.add {
  align-self: flex-start;
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
</style>
