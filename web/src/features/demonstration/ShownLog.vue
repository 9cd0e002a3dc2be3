<script setup lang="ts">
import { computed } from 'vue'
import { mmss } from '@/parts/words'
import type { useShowing } from './useShowing'

/** What was shown, beside what was planned. */
const props = defineProps<{
  view: NonNullable<ReturnType<typeof useShowing>['view']['value']>
  live: NonNullable<ReturnType<typeof useShowing>['live']['value']>
  /** How long it took in all. */
  seconds: number
}>()
defineEmits<{ leave: [] }>()
const why = (i: number) => {
  const reason = props.live.skipped[i]
  return reason ? ` (${reason.toLowerCase()})` : ''
}
/** The log beside the plan, a line for each stint. */
const log = computed(() => {
  const l = props.live
  return props.view.shown.moments.map((m, index) => {
    const shown = l.shownSeconds[index] ?? 0
    const planned = l.plannedSeconds[index] ?? 0
    const leftOut = l.leftOut.includes(index)
    const again = l.forAnotherDay.includes(index)
    return {
      index,
      name: `${m.number} ${m.name}`,
      place: m.place,
      shown: leftOut ? '–' : mmss(shown),
      planned: mmss(planned),
      off: leftOut || l.ranOver.includes(index),
      words: leftOut
        ? `left out${why(index)}${again && props.view.anotherDay ? `, in week ${props.view.anotherDay}` : ''}`
        : l.ranOver.includes(index)
          ? `ran over by ${mmss(shown - planned)}`
          : (l.cold.find((c) => c.index === index)?.words ?? ''),
    }
  })
})
</script>

<template>
  <div class="done">
    <h1>Shown</h1>
    <p class="big">{{ mmss(seconds) }} of {{ mmss(view.shown.slotSeconds) }}, {{ live.words }}.</p>
    <p class="big">
      {{
        live.leftOut.length
          ? `${live.leftOut.length} of ${view.shown.moments.length} announced and not shown.`
          : 'Everything announced was shown.'
      }}
      {{ view.anotherDay ? `What is left is on the plan of week ${view.anotherDay}.` : '' }}
    </p>
    <div class="after">
      <button class="push main" @click.stop="$emit('leave')">Back to the plan</button>
      <router-link class="push" :to="`/show/rounds?sequence=${view.shown.sequence}`" @click.stop>
        Practice round
      </router-link>
    </div>
    <table class="log" aria-label="What was shown" @click.stop>
      <thead>
        <tr>
          <th>Step</th>
          <th>Side</th>
          <th class="n">Shown</th>
          <th class="n">Planned</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="o in log" :key="o.index" :class="{ off: o.off }">
          <td>{{ o.name }}</td>
          <td>{{ o.place }}</td>
          <td class="n">{{ o.shown }}</td>
          <td class="n">{{ o.planned }}</td>
          <td>{{ o.words }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="./night.css"></style>
<style scoped>
.done {
  justify-content: flex-start;
  overflow: auto;
  padding-top: 10px;
}
.log {
  border-collapse: collapse;
  font-size: 20px;
  width: 100%;
}
.log th {
  text-align: left;
  color: var(--ink-soft);
  font-weight: 600;
  padding: 2px 14px 6px 0;
}
.log td {
  border-top: 1px solid var(--line);
  padding: 6px 14px 6px 0;
}
.log .n {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.log tr.off td {
  color: var(--draping);
}
.after {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
@media (max-width: 899px) {
  .log {
    font-size: 16px;
  }
}
</style>
