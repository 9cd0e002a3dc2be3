<script setup lang="ts">
import { reactive } from 'vue'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import Failed from '@/parts/Failed.vue'
import { FINGERS, hue } from '@/parts/criteria'
import { day } from '@/parts/words'

/** Practicals that wait for the student's own word, before anything of the result is shown. */
const { data: waiting, again } = useAsked(() => ask(api.GET('/api/me/to-mark')))
const BANDS = [
  { value: 20, name: 'not yet' },
  { value: 50, name: 'emerging' },
  { value: 70, name: 'competent' },
  { value: 90, name: 'fluent' },
]
const marks = reactive<Record<string, Record<string, number>>>({})
const { failed, during } = useCommand()
function mark(id: string, criterion: string, value: number) {
  marks[id] = { ...marks[id], [criterion]: value }
}
async function give(id: string) {
  await during(async () => {
    await ask(
      api.POST('/api/practicals/{id}/self-marks', {
        params: { path: { id } },
        body: { marks: marks[id] ?? {} },
      }),
    )
  })
  await again()
}
</script>

<template>
  <section v-for="w in waiting" :key="w.id" class="card" :aria-label="`Your own marks for ${w.sequence}`">
    <h2>
      How did it go? <span class="soft">{{ w.sequence }}, {{ day(w.startedAt) }}</span>
    </h2>
    <p class="soft">
      Your own word comes before the result and counts for nothing but your own eye. The first one stands.
    </p>
    <div v-for="f in FINGERS" :key="f.id" class="row" role="group" :aria-label="f.name">
      <b :style="{ color: hue(f.id) }">{{ f.name }}</b>
      <button
        v-for="b in BANDS"
        :key="b.value"
        class="push"
        :class="{ main: marks[w.id]?.[f.id] === b.value }"
        :aria-pressed="marks[w.id]?.[f.id] === b.value"
        @click="mark(w.id, f.id, b.value)"
      >
        {{ b.name }}
      </button>
    </div>
    <Failed :of="failed" />
    <button class="push main" :disabled="!marks[w.id]" @click="give(w.id)">That is my word</button>
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.row b {
  width: 140px;
}
@media (max-width: 700px) {
  .row {
    display: grid;
    grid-template-columns: 1fr 1fr;
    width: 100%;
  }
  .row b {
    grid-column: 1 / -1;
  }
}
.bad {
  color: var(--stop);
}
</style>
