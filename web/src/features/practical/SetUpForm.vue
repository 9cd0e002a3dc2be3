<script setup lang="ts">
import { computed } from 'vue'
import Failed from '@/parts/Failed.vue'
import { FINGERS } from '@/parts/criteria'
import BeforeHands from './BeforeHands.vue'
import { inTheWay, type Place } from './places'
import type { useSetUp } from './useSetUp'

/** Sets practicals up: what is asked, then a line for each table with who works, who lies there and who watches. */
const props = defineProps<{ of: ReturnType<typeof useSetUp> }>()
const { brief, people, sequences, students, graders, steps, setting, places, named, ready, busy, failed } =
  props.of
const zones = computed(() => [...new Set(steps.value.flatMap((s) => s.zones))])
const lying = (p: Place) => students.value.find((s) => s.id === p.partner)?.name ?? 'whoever lies here'
/** Whether somebody has a place already; nobody works where they lie or watch. */
const taken = (id: string, as: keyof Pick<Place, 'student' | 'partner' | 'observer'>, at: Place) =>
  places.value.some((p) =>
    [p.student, p.partner, p.observer].some((x) => x === id && (p !== at || at[as] !== id)),
  )
</script>

<template>
  <form class="card set" aria-label="New practical" @submit.prevent="of.start(ready)">
    <div class="brief">
      <label
        >Sequence
        <select v-model="brief.sequence" required>
          <option v-for="s in sequences" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select></label
      >
      <label
        >Sides
        <select v-model="brief.sides">
          <option value="each">both</option>
          <option value="left">left</option>
          <option value="right">right</option>
        </select></label
      >
      <label
        >What
        <select v-model="brief.criterion">
          <option value="">a practical</option>
          <option v-for="f in FINGERS" :key="f.id" :value="f.id">
            spot check: {{ f.name.toLowerCase() }}
          </option>
        </select></label
      >
      <label
        >Minutes <input v-model.number="brief.minutes" type="number" min="1" max="240" placeholder="none"
      /></label>
      <label v-if="graders.length"
        >Grader
        <select v-model="brief.grader">
          <option value="">me</option>
          <option v-for="g in graders" :key="g.id" :value="g.id">{{ g.name }}</option>
        </select></label
      >
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
        <label
          ><span :class="{ sr: i > 0 }">Table</span>
          <select v-model.number="p.table">
            <option
              v-for="n in 12"
              :key="n"
              :value="n"
              :disabled="n !== p.table && places.some((x) => x.table === n)"
            >
              {{ n }}
            </option>
          </select></label
        >
        <label class="wide"
          ><span :class="{ sr: i > 0 }">Student</span>
          <select v-model="p.student">
            <option value="">who works</option>
            <option v-for="s in students" :key="s.id" :value="s.id" :disabled="taken(s.id, 'student', p)">
              {{ s.name }}
            </option>
          </select></label
        >
        <label class="wide"
          ><span :class="{ sr: i > 0 }">On the table</span>
          <select v-model="p.partner">
            <option value="">nobody named</option>
            <option v-for="s in students" :key="s.id" :value="s.id" :disabled="taken(s.id, 'partner', p)">
              {{ s.name }}
            </option>
          </select></label
        >
        <label class="wide"
          ><span :class="{ sr: i > 0 }">Watches</span>
          <select v-model="p.observer">
            <option :value="undefined">nobody</option>
            <option v-for="s in students" :key="s.id" :value="s.id" :disabled="taken(s.id, 'observer', p)">
              {{ s.name }}
            </option>
          </select></label
        >
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
select {
  min-height: 48px;
  border: 1.5px solid var(--ink);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 16px var(--text);
  padding: 0 12px;
  max-width: 250px;
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
.place .wide select {
  width: 100%;
  max-width: none;
}
.brief > label select {
  max-width: 190px;
}
.brief > label:first-child select {
  max-width: 250px;
}
.brief input {
  min-height: 48px;
  width: 100px;
  border: 1.5px solid var(--ink);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 16px var(--text);
  padding: 0 12px;
}
.brief .push {
  min-height: 48px;
  min-width: 48px;
}
</style>
