<script setup lang="ts">
import { computed } from 'vue'
import { hue, wash } from './criteria'
import { boxes, type StripModel } from './strip'
import type { StripLanes } from './stripLanes'

/** What is planned: depths or bands, steps, and where nothing was seen yet the looks that are due and how the sheet lies. */
const props = defineProps<{ model: StripModel; lanes: StripLanes; slim: boolean }>()
type Block = StripModel['blocks'][number]
const round = computed(() => (props.lanes.dense.value ? 0 : 4))
const edges = computed(() => (props.lanes.dense.value ? 'crispEdges' : undefined))
const shade = (b: Block) => Math.min(1, 0.16 + b.depth * 0.13 + (b.pointed ? 0.2 : 0))
/** The blocks of the Order lane, those of one shade together. */
const shades = computed(() => {
  const by = new Map<number, Block[]>()
  for (const b of props.model.blocks) {
    const same = by.get(shade(b))
    if (same) same.push(b)
    else by.set(shade(b), [b])
  }
  const box = props.lanes.orderBox.value
  return [...by].map(([opacity, of]) => ({ opacity, d: boxes(of.map(box), round.value) }))
})
const flags = computed(() =>
  boxes(props.model.blocks.filter((b) => b.flagged).map(props.lanes.orderBox.value), round.value),
)
const labels = computed(() => {
  const at = props.lanes.scale.value
  return props.model.blocks.filter((b) => at(b.end) - at(b.start) > 8 + 7 * b.label.length)
})
const labelY = computed(() => {
  const { y, h } = props.lanes.lane('order')
  return y + h / (props.model.seen ? 4 : 2) + 4
})
/** Bands of what the client should say, once something was seen; else the depth of each block. */
const bands = computed(() => {
  if (!props.model.seen) return ''
  const { across, reportY } = props.lanes
  return boxes(
    props.model.blocks.flatMap((b) => {
      if (!b.band) return []
      const y = reportY(b.band.high)
      return { ...across.value(b, 1), y, h: Math.max(2, reportY(b.band.low) - y) }
    }),
  )
})
const depths = computed(() => {
  const { across, depthY } = props.lanes
  const seen = !!props.model.seen
  const h = props.slim ? 5 : 9
  return boxes(
    props.model.blocks.flatMap((b) =>
      b.band && seen ? [] : { ...across.value(b, 1), y: depthY(b.depth), h },
    ),
    2,
  )
})
function sheets(of: (b: Block) => boolean) {
  const l = props.lanes.lane('draping')
  const box = props.lanes.across.value
  return boxes(props.model.blocks.filter(of).map((b) => ({ ...box(b), y: l.y + 5, h: l.h - 10 })))
}
const open = computed(() => sheets((b) => b.open))
const through = computed(() => sheets((b) => b.through && !b.open))
/** A look every twenty seconds; where those would run into each other, every second or third of them. */
const looks = computed(() => {
  const { total } = props.model
  const { y, h } = props.lanes.lane('mechanics')
  const every = 20 * Math.ceil((5 * total) / (20 * props.lanes.room.value))
  const marks = []
  for (let t = every; t < total; t += every)
    marks.push({ x: props.lanes.x(t) - 1, y: y + 6, w: 2, h: h - 12 })
  return boxes(marks)
})
</script>

<template>
  <rect
    v-for="(a, i) in model.seen?.attended"
    :key="i"
    :x="lanes.x(a.start)"
    :y="lanes.lane('mechanics').y + 1"
    :width="Math.max(0, lanes.x(a.end) - lanes.x(a.start))"
    :height="lanes.lane('mechanics').h - 2"
    :fill="wash('mechanics')"
    opacity="0.45"
  />
  <path :d="bands" :fill="wash('pressure')" />
  <path
    :d="depths"
    :fill="lanes.dense.value ? hue('pressure') : wash('pressure')"
    :stroke="lanes.dense.value ? undefined : hue('pressure')"
    stroke-width="0.8"
    :shape-rendering="edges"
  />
  <path
    v-for="s in shades"
    :key="s.opacity"
    :d="s.d"
    :fill="hue('order')"
    :fill-opacity="s.opacity"
    :shape-rendering="edges"
  />
  <path :d="flags" fill="none" stroke="var(--stop)" stroke-width="2" />
  <text
    v-for="b in labels"
    :key="b.key"
    :x="lanes.x(b.start) + 5"
    :y="labelY"
    class="digit"
    :fill="shade(b) > 0.6 ? 'var(--on-hue)' : 'var(--ink)'"
  >
    {{ b.label }}
  </text>
  <template v-if="!model.seen">
    <path :d="looks" :shape-rendering="edges" :fill="hue('mechanics')" fill-opacity="0.55" />
    <path :d="open" :shape-rendering="edges" :fill="hue('draping')" fill-opacity="0.55" />
    <path :d="through" :shape-rendering="edges" :fill="hue('draping')" fill-opacity="0.18" />
  </template>
</template>

<style scoped>
.digit {
  font: 700 12px var(--text);
}
</style>
