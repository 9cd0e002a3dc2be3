<script setup lang="ts">
import { computed } from 'vue'
import Failed from '@/parts/Failed.vue'
import { FINGERS } from '@/parts/criteria'
import BeforeHands from './BeforeHands.vue'
import { inTheWay, type Place } from './places'
import type { useSetUp } from './useSetUp'
import ChoiceField from '@/parts/ChoiceField.vue'

/** Sets practicals up: what is asked, then a line for each table with who works, who lies there and who watches. */
const props = defineProps<{ of: ReturnType<typeof useSetUp> }>()
const { brief, people, sequences, students, graders, steps, setting, places, named, ready, busy, failed } =
  props.of
const zones = computed(() => [...new Set(steps.value.flatMap((s) => s.zones))])
const lying = (p: Place) => students.value.find((s) => s.id === p.partner)?.name ?? 'whoever lies here'
/** Whether somebody has a place already; nobody works where they lie or watch. */
type Role = keyof Pick<Place, 'student' | 'partner' | 'observer'>
const taken = (id: string, as: Role, at: Place) =>
  places.value.some((p) =>
    [p.student, p.partner, p.observer].some((x) => x === id && (p !== at || at[as] !== id)),
  )
const free = (as: Role, at: Place) =>
  students.value.map((s) => ({ id: s.id, name: s.name, off: taken(s.id, as, at) }))
const tables = (at: Place) =>
  Array.from({ length: 12 }, (_, i) => i + 1).map((n) => ({
    id: n,
    name: String(n),
    off: n !== at.table && places.value.some((p) => p.table === n),
  }))
const SIDES = [
  { id: 'each', name: 'both' },
  { id: 'left', name: 'left' },
  { id: 'right', name: 'right' },
] as const
const WHAT = [
  { id: '', name: 'a practical' },
  ...FINGERS.map((f) => ({ id: f.id, name: `spot check: ${f.name.toLowerCase()}` })),
] as const
</script>

<template>
  <form class="card set" aria-label="New practical" @submit.prevent="of.start(ready)">
    <div class="brief">
      <ChoiceField v-model="brief.sequence" class="long" label="Sequence" required :options="sequences" />
      <ChoiceField v-model="brief.sides" label="Sides" :options="SIDES" />
      <ChoiceField v-model="brief.criterion" label="What" :options="WHAT" />
      <label
        >Minutes <input v-model.number="brief.minutes" type="number" min="1" max="240" placeholder="none"
      /></label>
      <ChoiceField
        v-if="graders.length"
        v-model="brief.grader"
        label="Grader"
        :options="[{ id: '', name: 'me' }, ...graders]"
      />
      <span class="grow" />
      <button class="push" type="button" @click="of.fill">Fill in</button>
      <button class="push" type="button" @click="of.another">One table more</button>
    </div>
    <details v-if="steps.length">
      <summary>
        {{
          brief.out.length
            ? `${steps.length - brief.out.length} of ${steps.length} steps asked`
            : 'All steps asked'
        }}
      </summary>
      <div class="steps" role="group" aria-label="Steps asked">
        <button
          v-for="(st, n) in steps"
          :key="st.id"
          class="push"
          type="button"
          :class="{ main: !brief.out.includes(st.id) }"
          :aria-pressed="!brief.out.includes(st.id)"
          @click="of.toggle(st.id)"
        >
          {{ n + 1 }} {{ st.name }}
        </button>
      </div>
    </details>
    <div v-for="(p, i) in places" :key="p.table" class="slot">
      <div class="brief place">
        <ChoiceField v-model="p.table" label="Table" :bare="i > 0" :options="tables(p)" />
        <ChoiceField
          v-model="p.student"
          class="wide"
          label="Student"
          :bare="i > 0"
          :options="[{ id: '', name: 'who works' }, ...free('student', p)]"
        />
        <ChoiceField
          v-model="p.partner"
          class="wide"
          label="On the table"
          :bare="i > 0"
          :options="[{ id: '', name: 'nobody named' }, ...free('partner', p)]"
        />
        <ChoiceField
          v-model="p.observer"
          class="wide"
          label="Watches"
          :bare="i > 0"
          none="nobody"
          :options="free('observer', p)"
        />
        <button
          v-if="places.length > 1"
          class="push"
          type="button"
          :disabled="busy || !p.student || inTheWay(p)"
          @click="of.start([p])"
        >
          Start
        </button>
        <button
          v-if="places.length > 1"
          class="push"
          type="button"
          :aria-label="`Take table ${p.table} away`"
          @click="of.takeAway(p.table)"
        >
          ×
        </button>
        <button v-else class="push main" type="submit" :disabled="busy || !ready.length">Start</button>
      </div>
      <BeforeHands
        v-if="p.student && steps.length"
        :model-value="p"
        :setting="setting"
        :name="lying(p)"
        :zones="zones"
        @update:model-value="places[i] = $event"
      />
    </div>
    <button v-if="places.length > 1" class="push main all" type="submit" :disabled="busy || !ready.length">
      Start {{ ready.length }} together
    </button>
    <p v-if="named.length > ready.length" class="soft">
      {{ named.length - ready.length }} of {{ named.length }} wait for an answer above.
    </p>
    <Failed :of="failed" />
    <p v-if="sequences?.length === 0" class="soft">
      There is no sequence to grade yet; <router-link to="/plan">plan one first</router-link>.
    </p>
    <p v-else-if="people && students.length === 0" class="soft">
      There is no student in this term yet; the lead adds them under School.
    </p>
  </form>
</template>

<style scoped>
.brief {
  display: flex;
  gap: 14px;
  align-items: flex-end;
  flex-wrap: wrap;
}
label {
  display: flex;
  flex-direction: column;
  gap: 4px;
  font-size: 14px;
  font-weight: 600;
}
.set {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
summary {
  min-height: var(--target);
  line-height: var(--target);
  cursor: pointer;
  font-weight: 600;
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.slot {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.all {
  align-self: flex-start;
}
.place .wide {
  flex: 1 1 200px;
}
.brief > .choice {
  max-width: 190px;
}
.brief > .long {
  max-width: 250px;
}
.place > .wide {
  max-width: none;
}
.brief input {
  width: 100px;
}
.brief .push {
  min-height: 48px;
  min-width: 48px;
}
</style>
