<script setup lang="ts">
import { hue, wash } from './criteria'
import type { StripModel } from './strip'
import type { StripLanes } from './stripLanes'
import { mmss } from './words'

/** What was seen, in the lanes of what was planned: steps done, numbers said, looks, the sheet. */
defineProps<{ seen: NonNullable<StripModel['seen']>; lanes: StripLanes }>()
</script>

<template>
  <g v-for="b in seen.blocks" :key="'s' + b.key">
    <rect
      :x="lanes.x(b.start)"
      :y="lanes.lane('order').y + lanes.lane('order').h / 2 + 1"
      :width="Math.max(2, lanes.x(b.end) - lanes.x(b.start) - 1.5)"
      :height="lanes.lane('order').h / 2 - 4"
      rx="4"
      :fill="wash('order')"
      :stroke="b.moved ? 'var(--stop)' : hue('order')"
      :stroke-width="b.moved ? 2.5 : 1"
    />
    <text
      v-if="lanes.x(b.end) - lanes.x(b.start) > 8 + 7 * b.label.length"
      :x="lanes.x(b.start) + 5"
      :y="lanes.lane('order').y + (3 * lanes.lane('order').h) / 4 + 3"
      class="digit"
      fill="var(--ink)"
    >
      {{ b.label }}
    </text>
  </g>
  <g v-for="r in seen.reports" :key="r.key">
    <title>The client said {{ r.number }} at {{ mmss(r.at) }}</title>
    <circle :cx="lanes.x(r.at)" :cy="lanes.reportY(r.number)" r="8" fill="transparent" />
    <circle
      :cx="lanes.x(r.at)"
      :cy="lanes.reportY(r.number)"
      r="4.5"
      :fill="hue('pressure')"
      :stroke="r.over ? 'var(--ink)' : 'none'"
      stroke-width="2"
    />
  </g>
  <rect
    v-for="k in seen.looks"
    :key="k.key"
    :x="lanes.x(k.at) - 4"
    :y="lanes.lane('mechanics').y + (k.clean ? lanes.lane('mechanics').h / 2 - 2 : 3)"
    width="8"
    :height="k.clean ? 4 : lanes.lane('mechanics').h - 6"
    rx="2"
    :fill="k.clean ? hue('mechanics') : 'var(--stop)'"
  >
    <title>{{ k.clean ? 'Clean look' : 'Look with faults' }} at {{ mmss(k.at) }}</title>
  </rect>
  <rect
    v-for="(o, i) in seen.opens"
    :key="'open' + i"
    :x="lanes.x(o.start)"
    :y="lanes.lane('draping').y + lanes.lane('draping').h / 2 - 2"
    :width="Math.max(2, lanes.x(o.end) - lanes.x(o.start))"
    height="4"
    rx="2"
    :fill="hue('draping')"
    fill-opacity="0.55"
  />
  <rect
    v-for="s in seen.sheets"
    :key="s.key"
    :x="lanes.x(s.at) - 3"
    :y="lanes.lane('draping').y + 3"
    width="6"
    :height="lanes.lane('draping').h - 6"
    rx="2"
    :fill="s.fault ? 'var(--stop)' : hue('draping')"
  >
    <title>{{ s.fault ? 'Draping fault' : 'Sheet' }} at {{ mmss(s.at) }}</title>
  </rect>
</template>

<style scoped>
.digit {
  font: 700 12px var(--text);
}
</style>
