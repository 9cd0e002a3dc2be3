<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { counted } from '@/parts/words'
import AddSitting from './AddSitting.vue'
import DayAway from './DayAway.vue'
import DayForm from './DayForm.vue'
import DayGrid from './DayGrid.vue'
import SittingPanel from './SittingPanel.vue'
import { clock, dayOf } from './clock'
import { useDay } from './useDay'

/** The timetable of a day of practicals: found, changed by hand, found again when somebody is away, and begun from. */
const session = useSession()
const router = useRouter()
const route = useRoute()
const term = session.term?.id ?? ''
const of = useDay(term)
const { days, listed, day, asked, chosen, busy, failed } = of
const plans = computed(() => session.plans && !session.term?.archived)
const form = ref<'new' | 'change'>()
/** The address may say which one is opened. */
const picked = ref(typeof route.query.sitting === 'string' ? route.query.sitting : undefined)
watch(chosen, (_, before) => {
  // The first that comes closes nothing: somebody may be quicker than the list of days.
  if (before) form.value = picked.value = undefined
})
/** Where all stands in one column, what was opened is brought into view. */
const side = ref<HTMLElement>()
watch(picked, async (id) => {
  await nextTick()
  if (id && window.innerWidth <= 900) side.value?.scrollIntoView({ block: 'start', behavior: 'smooth' })
})
const sitting = computed(() => day.value?.sittings.find((s) => s.id === picked.value))
const placed = computed(() => day.value?.sittings.filter((s) => s.begins !== undefined).length ?? 0)
const lacking = computed(() => day.value?.sittings.filter((s) => s.lacks) ?? [])
const sensitive = computed(() => day.value?.sensitive.map((r) => session.regionName(r)).join(', '))
const options = computed(
  () => days.value?.map((d) => ({ id: d.id, name: `${dayOf(d.heldOn)}, ${clock(d.from)}` })) ?? [],
)
async function make(wish: Parameters<typeof of.make>[0]) {
  if (await (form.value === 'new' ? of.make(wish) : of.change(wish))) form.value = undefined
}
watch(of.started, (id) => {
  const s = day.value?.sittings.find((x) => x.practical === id)
  if (id && s?.graders[0]?.id === session.person?.id) void router.push(`/grade/${id}`)
})
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Timetable</h1>
      <ChoiceField v-if="options.length" v-model="chosen" bare label="Day" class="days" :options="options" />
      <span class="grow" />
      <button
        v-if="plans && form !== 'new'"
        class="push"
        :class="{ main: !days?.length }"
        @click="form = 'new'"
      >
        New day
      </button>
      <router-link class="push" to="/grade">Grade</router-link>
    </div>
    <Standing
      :problem="listed.problem.value"
      :loading="listed.loading.value && !days"
      @again="listed.again"
    />
    <Failed :of="failed" />
    <DayForm
      v-if="form"
      :key="form === 'new' ? form : chosen"
      :term="term"
      :day="form === 'change' ? day : undefined"
      :busy="busy"
      @done="make"
      @close="form = undefined"
    />
    <div v-if="days && !days.length && !form" class="card">
      <h2>No day of practicals yet</h2>
      <p class="soft">
        Say when, at how many tables, who grades and who shows what: the times, clients and graders are found
        for you, and found again when somebody is away.
      </p>
    </div>
    <Standing
      v-if="chosen && !day"
      :problem="asked.problem.value"
      :loading="asked.loading.value"
      @again="asked.again"
    />
    <div v-if="day && chosen === day.id" class="cols">
      <section class="card" aria-label="The day">
        <div class="said" role="status">
          <p>
            <strong>{{ placed }} of {{ counted(day.sittings.length, 'practical') }}</strong> have a
            place<template v-if="lacking.length"
              >, <span class="warn">{{ counted(lacking.length, 'lacks', 'lack') }} something</span></template
            >.
            <span v-if="day.searching" class="soft">Looking for better; this one can be used already.</span>
          </p>
          <template v-if="plans">
            <button v-if="day.searching" class="push" :disabled="busy" @click="of.stop">Stop here</button>
            <button v-else-if="day.over < 1440" class="push" :disabled="busy" @click="of.look">
              Look on
            </button>
          </template>
        </div>
        <DayGrid v-model="picked" :day="day" />
      </section>
      <div ref="side" class="side">
        <SittingPanel v-if="sitting" :of="of" :day="day" :sitting="sitting" />
        <section v-if="lacking.length" class="card" aria-label="What is lacking">
          <h2>What is lacking</h2>
          <ul class="lacks">
            <li v-for="s in lacking" :key="s.id">
              <button class="line" @click="picked = s.id">{{ s.lacks }}</button>
            </li>
          </ul>
        </section>
        <section v-if="plans" class="card" aria-label="This day">
          <h2>{{ dayOf(day.heldOn) }}, {{ clock(day.from) }}–{{ clock(day.until) }}</h2>
          <p v-if="sensitive" class="soft">
            {{ sensitive }} is asked about first: only those who said on their own page that they agree are
            clients for it.
          </p>
          <label class="tick"
            ><input
              type="checkbox"
              :checked="day.shown"
              :disabled="busy"
              @change="of.show(($event.target as HTMLInputElement).checked)"
            />
            Students and graders see their times</label
          >
          <DayAway :of="of" :day="day" />
          <AddSitting :key="day.id" :of="of" :day="day" :term="term" />
          <div class="acts">
            <button class="push" @click="form = form === 'change' ? undefined : 'change'">
              Change the day
            </button>
            <button class="push" :disabled="busy" @click="of.anew">Find all anew</button>
            <button class="push" :disabled="busy" @click="of.withdraw">Take the day away</button>
          </div>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 14px;
  align-items: start;
}
.card,
.side {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.side {
  gap: 14px;
}
.days {
  min-width: 190px;
}
.said {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: var(--target);
}
.warn {
  color: var(--warn);
  font-weight: 650;
}
.lacks {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
}
.lacks .line {
  min-height: var(--target);
  padding: 6px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
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
  flex: none;
}
@media (max-width: 900px) {
  .cols {
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }
}
</style>
