<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { FINGERS, type Criterion } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import { counted } from '@/parts/words'
import FigureRow from './FigureRow.vue'
import ChoiceField from '@/parts/ChoiceField.vue'

/** How well the graders agree, how severe each is, and how much the practicals can be relied on. */
const props = defineProps<{ cohort: Schema['Cohort'] }>()
const {
  data: quality,
  problem,
  loading,
  again,
} = useAsked(() =>
  ask(api.GET('/api/terms/{term}/graders', { params: { path: { term: props.cohort.term } } })),
)
watch(
  () => props.cohort,
  () => void again(),
)
const CRITERIA = FINGERS.map((f) => ({ id: f.id, name: f.name.toLowerCase() }))
const of = ref<Criterion>()
const agreement = computed(() => quality.value?.agreement.find((a) => a.criterion == of.value))
const sequence = ref('')
watch(quality, (q) => (sequence.value ||= q?.sequences[0]?.sequence ?? ''))
const practical = computed(
  () => quality.value?.sequences.find((s) => s.sequence === sequence.value) ?? quality.value?.sequences[0],
)
</script>

<template>
  <Standing :problem="problem" :loading="loading && !quality" @again="again" />
  <div v-if="quality" class="cols">
    <section class="card">
      <div class="top">
        <h2>Do two graders say the same?</h2>
        <span class="soft">{{ counted(quality.pairs, 'run') }} marked twice</span>
        <span class="grow" />
        <ChoiceField v-model="of" class="field" label="Of" none="the mean of the five" :options="CRITERIA" />
      </div>
      <table v-if="agreement" class="lines">
        <tbody>
          <FigureRow
            v-for="f in agreement.figures"
            :key="f.name"
            :figure="f"
            :places="f.name === 'mean difference' ? 1 : 2"
          />
        </tbody>
      </table>
      <p class="soft">
        A run is marked twice by “Mark beside” in its review; each grader is blind to the other.
      </p>
    </section>
    <section class="card">
      <h2>Is one severer than the others?</h2>
      <p v-if="quality.graders.length === 0" class="soft">Nobody has awarded anything in this term yet.</p>
      <template v-for="g in quality.graders" :key="g.name">
        <h3>{{ g.name }}</h3>
        <table class="lines">
          <tbody>
            <FigureRow :figure="g.severity" :places="1" />
            <FigureRow :figure="g.drift" :places="1" />
          </tbody>
        </table>
      </template>
    </section>
    <section class="card">
      <div class="top">
        <h2>Can a practical be relied on?</h2>
        <span class="grow" />
        <ChoiceField
          v-if="practical"
          v-model="sequence"
          class="field"
          label="Sequence"
          :options="quality.sequences.map((s) => ({ id: s.sequence, name: `${s.name} (${s.practicals})` }))"
        />
      </div>
      <p v-if="!practical" class="soft">No practical has been rated and awarded in this term yet.</p>
      <table v-else class="lines">
        <tbody>
          <FigureRow
            v-for="f in practical.figures"
            :key="f.name"
            :figure="f"
            :places="f.name.startsWith('Cronbach') ? 2 : 1"
          />
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.cols {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
h3 {
  font-size: 16px;
  margin-top: 8px;
}
</style>
