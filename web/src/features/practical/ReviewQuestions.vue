<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { hue } from '@/parts/criteria'
import { mmss } from '@/parts/words'

type Question = Schema['QuestionView']

/** What only the grader can say: one tap each, and one for all steps that nobody saw. */
const props = defineProps<{ criteria: readonly Schema['CriterionView'][]; busy: boolean }>()
const emit = defineEmits<{
  answer: [answers: { question: string; said: Question['answers'][number]['answer'] }[]]
  moment: [seconds: number]
}>()
const questions = computed(() =>
  props.criteria
    .flatMap((c) => c.questions.map((q) => ({ ...q, criterion: c.criterion })))
    .sort((a, b) => (a.atMs ?? 0) - (b.atMs ?? 0)),
)
const ofStep = (q: Question) => q.answers.some((a) => a.answer === 'not-seen')
/** Steps that nobody saw are often many at once: from so many on they are one line, and each only where it is wanted. */
const MANY = 3
const unseen = computed(() => {
  const steps = questions.value.filter(ofStep)
  return steps.length >= MANY ? steps : []
})
const single = computed(() => questions.value.filter((q) => !unseen.value.includes(q)))
const all = (said: 'not-seen' | 'left-out') =>
  emit(
    'answer',
    unseen.value.map((q) => ({ question: q.key, said })),
  )
const each = ref(false)
</script>

<template>
  <section v-if="questions.length" class="card asks" aria-label="Only you can say">
    <div class="head">
      <h2>Only you can say</h2>
      <span class="soft"
        >{{ questions.length === 1 ? 'One question' : `${questions.length} questions` }} before the award:
        until then what they are about has no score.</span
      >
    </div>
    <ul>
      <li v-if="unseen.length" :style="{ '--hue': hue('order') }">
        <button class="at" :aria-expanded="each" @click="each = !each">{{ each ? 'less' : 'each' }}</button>
        <span class="what"
          >{{ unseen.length }} steps were not tapped, and their places in the plan were not watched.</span
        >
        <span class="answers" role="group" aria-label="All of these steps">
          <button class="push" :disabled="busy" @click="all('left-out')">All left out</button>
          <button class="push" :disabled="busy" @click="all('not-seen')">I did not see them</button>
        </span>
      </li>
      <li v-for="q in each ? questions : single" :key="q.key" :style="{ '--hue': hue(q.criterion) }">
        <button v-if="q.atMs != null" class="at" @click="emit('moment', q.atMs / 1000)">
          {{ mmss(q.atMs / 1000) }}
        </button>
        <span class="what">{{ q.sentence }}</span>
        <span class="answers" role="group" :aria-label="q.sentence">
          <button
            v-for="a in q.answers"
            :key="a.answer"
            class="push"
            :disabled="busy"
            @click="emit('answer', [{ question: q.key, said: a.answer }])"
          >
            {{ a.label }}
          </button>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.asks {
  border-left: 5px solid var(--warn);
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  border-left: 5px solid var(--hue);
  padding: 4px 0 4px 10px;
  margin: 4px 0;
}
.what {
  flex: 1 1 320px;
}
.at {
  background: none;
  border: 0;
  font: 700 16px var(--text);
  color: inherit;
  text-decoration: underline;
  cursor: pointer;
  min-width: var(--target);
  min-height: var(--target);
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
