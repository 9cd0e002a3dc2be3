<script setup lang="ts">
import { computed } from 'vue'
import { FINGERS, hue } from '@/parts/criteria'
import type { StripModel } from '@/parts/strip'

/** The five lanes in small: what was seen when, beside what was planned. */
const props = defineProps<{ model: StripModel; playhead: number }>()
const ROW = 11
const WIDE = 1000
const x = (second: number) => (Math.min(second, props.model.total) / props.model.total) * WIDE
const y = Object.fromEntries(FINGERS.map((f, i) => [f.id, i * ROW])) as Record<string, number>
const dots = computed(() => {
  const seen = props.model.seen
  if (!seen) return []
  return [
    ...seen.reports.map((r) => ({ lane: 'pressure', at: r.at, bad: r.over, key: r.key })),
    ...seen.looks.map((l) => ({ lane: 'mechanics', at: l.at, bad: !l.clean, key: l.key })),
    ...seen.says.map((s) => ({ lane: 'communication', at: s.at, bad: false, key: s.key })),
    ...seen.sheets.map((s) => ({ lane: 'draping', at: s.at, bad: s.fault, key: s.key })),
  ]
})
const said = computed(() => {
  const seen = props.model.seen
  return seen
    ? `${seen.reports.length} reports, ${seen.blocks.length} steps, ${seen.looks.length} looks, ${seen.says.length} sayings, ${seen.sheets.length} of the sheet`
    : 'nothing seen yet'
})
</script>

<template>
  <svg
    class="lanes"
    :viewBox="`0 0 ${WIDE} ${5 * ROW}`"
    preserveAspectRatio="none"
    role="img"
    :aria-label="said"
  >
    <rect
      v-for="f in FINGERS"
      :key="f.id"
      x="0"
      :y="y[f.id]! + 1"
      :width="WIDE"
      :height="ROW - 2"
      fill="var(--ground)"
    />
    <rect
      v-for="b in model.blocks"
      :key="b.key"
      :x="x(b.start)"
      :y="y.order! + 3"
      :width="Math.max(2, x(b.end) - x(b.start) - 3)"
      :height="ROW - 6"
      fill="var(--order-wash)"
    />
    <rect
      v-for="b in model.seen?.blocks"
      :key="b.key"
      :x="x(b.start)"
      :y="y.order! + 1"
      :width="Math.max(4, x(b.end) - x(b.start) - 3)"
      :height="ROW - 2"
      fill="var(--order)"
    />
    <rect
      v-for="d in dots"
      :key="d.key"
      :x="x(d.at) - (d.bad ? 9 : 5)"
      :y="y[d.lane]! + 1"
      :width="d.bad ? 18 : 10"
      :height="ROW - 2"
      :fill="hue(d.lane as never)"
      :stroke="d.bad ? 'var(--stop)' : 'none'"
      stroke-width="4"
    />
    <rect :x="x(playhead) - 2" y="0" width="4" :height="5 * ROW" fill="var(--ink)" />
  </svg>
</template>

<style scoped>
.lanes {
  width: 100%;
  height: 56px;
  display: block;
}
</style>
