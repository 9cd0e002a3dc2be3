<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Schema } from '@/api/client'
import { hue } from '@/parts/criteria'
import { points } from '@/parts/words'

/** One criterion over the weeks of the term: evidence as dots, the level with its spread, the cut. */
const props = defineProps<{ line: Schema['Line']; weeks: number; now: number; cut: number }>()
const router = useRouter()
const box = ref<HTMLElement>()
const { width } = useElementSize(box)
const H = 84
const x = (week: number) => 20 + (week / props.weeks) * Math.max(100, width.value - 30)
const y = (score: number) => H - 16 - (score / 100) * (H - 24)
const color = computed(() => hue(props.line.bar.criterion))
const path = computed(() => {
  const points = props.line.history.map((d) => ({ week: d.week, mean: d.level, sd: d.sd }))
  const bar = props.line.bar
  if (bar.level != null && bar.sd != null) points.push({ week: props.now, mean: bar.level, sd: bar.sd })
  return points
})
const area = computed(() => {
  const up = path.value.map((p) => `${x(p.week)},${y(Math.min(100, p.mean + p.sd))}`)
  const down = [...path.value].reverse().map((p) => `${x(p.week)},${y(Math.max(0, p.mean - p.sd))}`)
  return [...up, ...down].join(' ')
})
</script>

<template>
  <div ref="box" class="box">
    <svg
      v-if="width > 0"
      :width="width"
      :height="H"
      role="group"
      :aria-label="`${line.bar.criterion} over the weeks`"
    >
      <line
        :x1="20"
        :x2="width - 10"
        :y1="y(cut)"
        :y2="y(cut)"
        stroke="var(--ink-soft)"
        stroke-dasharray="3 3"
      />
      <text x="0" :y="y(cut) + 4" class="small">{{ cut }}</text>
      <line :x1="x(now)" :x2="x(now)" y1="4" :y2="H - 16" stroke="var(--ink)" stroke-width="1.5" />
      <text v-for="w in [1, 5, 10, weeks]" :key="w" :x="x(w - 1)" :y="H - 3" class="small">
        {{ w === 1 ? 'week 1' : w }}
      </text>
      <polygon v-if="path.length > 1" :points="area" :fill="color" fill-opacity="0.16" />
      <polyline
        v-if="path.length > 1"
        :points="path.map((p) => `${x(p.week)},${y(p.mean)}`).join(' ')"
        fill="none"
        :stroke="color"
        stroke-width="2.5"
      />
      <g
        v-for="d in line.history"
        :key="d.practical"
        class="dot"
        role="link"
        tabindex="0"
        :aria-label="`Week ${Math.floor(d.week) + 1}: ${points(d.score)}${d.critical ? ', critical' : ''}; opens the practical`"
        @click="router.push(`/review/${d.practical}`)"
        @keydown.enter="router.push(`/review/${d.practical}`)"
      >
        <circle :cx="x(d.week)" :cy="y(d.score)" r="22" fill="transparent" />
        <circle
          :cx="x(d.week)"
          :cy="y(d.score)"
          r="5.5"
          :fill="d.weight < 1 ? 'var(--paper)' : color"
          :stroke="color"
          stroke-width="2"
        />
        <path
          v-if="d.critical"
          :transform="`translate(${x(d.week)} ${y(d.score)})`"
          d="M-5 -5 5 5M5 -5 -5 5"
          stroke="var(--stop)"
          stroke-width="3"
        />
        <title>{{ points(d.score) }}</title>
      </g>
      <text v-if="line.history.length === 0" :x="x(0)" :y="H / 2" class="none">not seen</text>
    </svg>
  </div>
</template>

<style scoped>
.box {
  min-width: 0;
  height: 84px;
}
.small {
  font: 11.5px var(--text);
  fill: var(--ink-soft);
}
.none {
  font: 14px var(--text);
  fill: var(--ink-soft);
}
.dot {
  cursor: pointer;
}
</style>
