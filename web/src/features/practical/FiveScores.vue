<script setup lang="ts">
import type { Schema } from '@/api/client'
import { hue, type Criterion } from '@/parts/criteria'
import { points } from '@/parts/words'
import { stateOf } from './stateOf'

/** The five scores side by side, one of them opened below; arrow keys go along them. */
defineProps<{
  criteria: readonly Schema['CriterionView'][]
  /** What was awarded in place of what was computed. */
  awarded: (id: Criterion) => number | null | undefined
}>()
const opened = defineModel<Criterion>('opened', { required: true })
</script>

<template>
  <v-tabs v-model="opened" class="five" aria-label="The five scores" height="auto" hide-slider>
    <v-tab
      v-for="c in criteria"
      :key="c.criterion"
      :value="c.criterion"
      class="score"
      variant="flat"
      :ripple="false"
      :style="{ '--hue': hue(c.criterion) }"
    >
      <span class="name">{{ c.name }}</span>
      <span class="num"
        >{{ points(awarded(c.criterion) ?? c.score)
        }}<small v-if="awarded(c.criterion) != null"> awarded, {{ points(c.score) }} computed</small></span
      >
      <span class="soft"
        >{{ stateOf(c) }} · {{ c.observations }} seen{{ c.thin ? ', thin' : ''
        }}<template v-if="c.low != null"> · clean {{ points(c.low) }}–{{ points(c.high) }} %</template></span
      >
    </v-tab>
  </v-tabs>
</template>

<style scoped>
.five :deep(.v-slide-group__content) {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 8px;
  width: 100%;
}
.five :deep(.score.v-btn) {
  min-width: 0;
  height: auto;
  padding: 8px 10px;
  border: 2px solid var(--line);
  border-radius: 16px;
  background: var(--paper);
  color: var(--ink);
  letter-spacing: normal;
  justify-content: start;
  align-items: start;
}
.five :deep(.score.v-tab--selected) {
  border-color: var(--hue);
}
.five :deep(.v-btn__content) {
  flex-direction: column;
  align-items: start;
  gap: 2px;
  text-align: left;
  white-space: normal;
}
.name {
  color: var(--hue);
  font: 700 15px/1.15 var(--head);
  overflow-wrap: anywhere;
}
.num {
  font: 700 28px/1 var(--text);
}
.num small {
  font: 500 13px var(--text);
}
.soft {
  font: 500 13px/1.25 var(--text);
}
@media (max-width: 760px) {
  .five :deep(.v-slide-group__content) {
    grid-template-columns: repeat(auto-fit, minmax(112px, 1fr));
    gap: 6px;
  }
  .name {
    font-size: 13px;
  }
}
</style>
