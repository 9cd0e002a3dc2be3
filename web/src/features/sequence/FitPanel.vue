<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { askDraft } from '@/core/askDraft'
import Failed from '@/parts/Failed.vue'
import { doseWords, mmss } from '@/parts/words'
import { stepsIn } from './edits'

/** What fitting to the slot would do, before and after, and the button that does it. */
const props = defineProps<{ sequence: Schema['Sequence']; profile?: string }>()
const emit = defineEmits<{ take: [what: string, sequence: Schema['Sequence']] }>()
const minutes = ref(Math.round(props.sequence.slotSeconds / 6) / 10)
const fit = ref<Schema['FitView']>()
const { busy, failed: problem, during } = useCommand()
watch(
  () => props.sequence,
  () => (fit.value = undefined),
)
const steps = computed(() => new Map(stepsIn(props.sequence).map((s, i) => [s.id, { ...s, number: i + 1 }])))
const after = computed(() => new Map(fit.value ? stepsIn(fit.value.sequence).map((s) => [s.id, s]) : []))
const changed = computed(() => fit.value?.changes.filter((c) => c.what !== 'kept') ?? [])
const WORDS = { kept: 'kept', shortened: 'shorter', lengthened: 'longer', dropped: 'left out' } as const

async function look() {
  await during(async () => {
    fit.value = await askDraft('fit', {
      sequence: props.sequence,
      profile: props.profile,
      slotSeconds: minutes.value * 60,
    })
  })
}
function take() {
  if (fit.value)
    emit('take', `Fitted to ${minutes.value} min`, { ...fit.value.sequence, slotSeconds: minutes.value * 60 })
}
</script>

<template>
  <div class="fit">
    <form class="ask" @submit.prevent="look">
      <label>
        Minutes there are
        <input v-model.number="minutes" type="number" min="0.5" max="240" step="0.5" required />
      </label>
      <button class="push" :disabled="busy">{{ busy ? 'Fitting…' : 'Show the best fit' }}</button>
    </form>
    <Failed :of="problem" />
    <template v-if="fit?.found">
      <p>
        <strong>{{ mmss(fit.beforeSeconds) }} → {{ mmss(fit.afterSeconds) }}</strong>
        <span class="soft">
          · keeps {{ Math.round((100 * fit.value) / Math.max(fit.mostValue, 0.001)) }} % of what the full
          doses are worth</span
        >
      </p>
      <p v-if="changed.length === 0" class="soft">Every step keeps its dose.</p>
      <table v-else class="lines">
        <thead>
          <tr>
            <th>Step</th>
            <th>Before</th>
            <th>After</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in changed" :key="c.step" :class="c.what">
            <td>{{ steps.get(c.step)?.number }} {{ steps.get(c.step)?.name }}</td>
            <td>{{ steps.has(c.step) ? doseWords(steps.get(c.step)!.dose) : '' }}</td>
            <td>{{ c.what === 'dropped' ? WORDS.dropped : doseWords(after.get(c.step)!.dose) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="!fit.proven" class="soft">Good, but not proven to be the best: the search was too long.</p>
      <button class="push main" @click="take">Fit it</button>
    </template>
    <template v-else-if="fit">
      <p class="bad">
        Nothing fits: what must be kept takes {{ mmss(fit.missingSeconds) }} more than there is.
      </p>
      <p>These weigh most:</p>
      <ul>
        <li v-for="h in fit.heaviest" :key="h.step">
          {{ steps.get(h.step)?.number }} {{ steps.get(h.step)?.name }}, at least {{ mmss(h.seconds) }}
        </li>
      </ul>
      <p class="soft">Take a longer slot, or make one of them less than a must.</p>
    </template>
    <p v-else class="soft">
      Steps keep at least their minimum and at most their target, both sides alike; what must be kept is kept,
      and no stop appears that was not there before.
    </p>
  </div>
</template>

<style scoped>
.fit {
  display: flex;
  flex-direction: column;
  gap: 10px;
  width: 100%;
  align-items: flex-start;
}
.ask {
  display: flex;
  gap: 10px;
  align-items: end;
}
label {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
}
input {
  display: block;
  width: 96px;
}
.bad {
  color: var(--stop);
  font-weight: 600;
}
tr.dropped td {
  color: var(--stop);
}
.lines td {
  font-size: 14px;
}
</style>
