<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { hue } from './criteria'
import { boxes, dots, nearest, spaced, type Placed, type StripModel } from './strip'
import StripPlan from './StripPlan.vue'
import StripSeen from './StripSeen.vue'
import { LANE_NAME, useStripLanes } from './stripLanes'
import { mmss } from './words'
import { useDrag, type Spot } from './useDrag'

/** Time from left to right, one lane a criterion. */
const props = withDefaults(
  defineProps<{
    model: StripModel
    /** Key of the block that is picked. */
    picked?: string
    /** Second of the playhead. */
    playhead?: number
    /** Slim lanes, as a history in Grade. */
    slim?: boolean
    /** Whether blocks of the Order lane can be dragged to another place. */
    movable?: boolean
  }>(),
  { slim: false },
)
const emit = defineEmits<{
  pick: [key: string]
  event: [key: string]
  moment: [second: number]
  /** The pointer is over a second, or has left. */
  hover: [second: number | undefined]
  /** A step was dragged in front of another or behind it. */
  move: [step: string, spot: Spot]
}>()

const box = ref<HTMLElement>()
const { width } = useElementSize(box)
const lanes = useStripLanes(
  () => props.model,
  () => props.slim,
  width,
)
const { x, lane, height, room, orderBox, middle } = lanes
const says = computed(() => spaced(props.model.seen?.says ?? props.model.says, props.model.total, room.value))
/** The strip is one target: a touch picks what lies nearest in its lane, arrows go from block to block. */
const at = computed(() => props.model.blocks.findIndex((b) => b.key === props.picked))
const spokenValue = computed(() => {
  const b = props.model.blocks[at.value]
  return b
    ? `Step ${b.label}, ${b.title}, ${mmss(b.start)} to ${mmss(b.end)}${b.flagged ? ', with findings' : ''}`
    : 'no step'
})
const svg = ref<SVGElement>()
const stepOf = (key: string) => key.slice(0, key.lastIndexOf('/'))
function blockAt(clientX: number) {
  const frame = svg.value!.getBoundingClientRect()
  const second = Math.max(0, ((clientX - frame.left - LANE_NAME) / room.value) * props.model.total)
  const block = nearest(props.model.blocks, second)
  return block && { block, second }
}
const { dragged, spot, grab } = useDrag(
  (px, py) => {
    const frame = svg.value?.getBoundingClientRect()
    if (!frame || py < frame.top - 40 || py > frame.bottom + 40) return undefined
    const there = blockAt(px)
    if (!there) return undefined
    const half = (there.block.start + there.block.end) / 2
    return { id: stepOf(there.block.key), where: there.second < half ? 'before' : 'after' }
  },
  (id, to) => emit('move', id, to),
)
function press(e: PointerEvent) {
  if (!props.movable || !svg.value) return
  const l = lane('order')
  const py = e.clientY - svg.value.getBoundingClientRect().top
  if (py < l.y || py > l.y + l.h) return
  const there = blockAt(e.clientX)
  if (there) grab(stepOf(there.block.key), e)
}
const dropX = computed(() => {
  if (!spot.value) return undefined
  const block = props.model.blocks.find((b) => stepOf(b.key) === spot.value!.id)
  return block && x(spot.value.where === 'before' ? block.start : block.end)
})
/** What the block under the pointer is: one title for the whole strip, since its blocks are drawn together. */
const under = ref('')
function hover(e: PointerEvent) {
  const frame = svg.value?.getBoundingClientRect()
  if (!frame || dragged.value || e.pointerType === 'touch') return
  const second = ((e.clientX - frame.left - LANE_NAME) / room.value) * props.model.total
  const inside = second >= 0 && second <= props.model.total
  emit('hover', inside ? second : undefined)
  under.value = inside ? titleAt(second, e.clientY - frame.top) : ''
}
function titleAt(second: number, py: number): string {
  const talk = lane('communication')
  if (py >= talk.y && py <= talk.y + talk.h) {
    const say = nearest(says.value, second)
    return say && Math.abs(x(say.at) - x(second)) <= 8 ? `${say.word} at ${mmss(say.at)}` : ''
  }
  const { y, h } = lane('order')
  if (py < y || py > y + h) return ''
  const on = (b: { start: number; end: number }) => b.start <= second && second < b.end
  const seen = props.model.seen
  if (seen && py > y + h / 2) {
    const b = seen.blocks.find(on)
    return b
      ? `${b.label} ${b.title}, done ${mmss(b.start)}–${mmss(b.end)}${b.moved ? ', out of its place' : ''}`
      : ''
  }
  const b = props.model.blocks.find(on)
  return b ? `${b.label} ${b.title}, ${mmss(b.start)}–${mmss(b.end)}` : ''
}
function leave() {
  under.value = ''
  emit('hover', undefined)
}
function touch(e: MouseEvent) {
  if (dragged.value) return
  const frame = (e.currentTarget as SVGElement).getBoundingClientRect()
  const second = Math.max(0, ((e.clientX - frame.left - LANE_NAME) / room.value) * props.model.total)
  const py = e.clientY - frame.top
  const where = lanes.all.value.find((l) => py <= l.y + l.h + 2)?.id ?? 'draping'
  const seen = props.model.seen
  const { y, h } = lane('order')
  const lying = seen && {
    pressure: seen.reports,
    mechanics: seen.looks,
    communication: seen.says,
    draping: seen.sheets,
    order: py > y + h / 2 ? seen.blocks : [],
  }
  const inLane = lying && nearest<Placed & { key: string }>(lying[where], second)
  if (inLane) emit('event', inLane.key)
  else emit('moment', second)
  const block = nearest(props.model.blocks, second)
  if (block) emit('pick', block.key)
}
function step(by: number) {
  const b = props.model.blocks[Math.min(props.model.blocks.length - 1, Math.max(0, at.value + by))]
  if (!b) return
  emit('pick', b.key)
  emit('moment', b.start)
}
const pickedBox = computed(() => {
  const b = props.model.blocks[at.value]
  return b && boxes([orderBox.value(b)], 4)
})
const said = computed(() => (props.slim ? [] : says.value.filter((s) => s.shown)))
const sayDots = computed(() => {
  return dots(
    says.value.map((s) => x(s.at)),
    middle('communication'),
    4.5,
  )
})
</script>

<template>
  <div ref="box" class="strip">
    <svg
      v-if="width > 0"
      ref="svg"
      :class="{ movable }"
      :width="width"
      :height="height"
      role="slider"
      tabindex="0"
      aria-label="Five lanes over time; arrows go from step to step"
      :aria-valuemin="0"
      :aria-valuemax="model.blocks.length"
      :aria-valuenow="at + 1"
      :aria-valuetext="spokenValue"
      @click="touch"
      @pointerdown="press"
      @pointermove="hover"
      @pointerleave="leave"
      @keydown.right.prevent.stop="step(1)"
      @keydown.left.prevent.stop="step(-1)"
    >
      <title v-if="under">{{ under }}</title>
      <g v-for="l in lanes.all.value" :key="l.id">
        <rect
          x="0.5"
          :y="l.y + 0.5"
          :width="width - 1"
          :height="l.h - 1"
          rx="6"
          fill="var(--paper)"
          stroke="var(--line)"
        />
        <circle cx="13" :cy="l.y + l.h / 2" r="5" :fill="hue(l.id)" />
        <text x="24" :y="l.y + l.h / 2 + 4" class="name" :fill="hue(l.id)">{{ l.name }}</text>
      </g>

      <line
        v-if="dropX !== undefined"
        :x1="dropX"
        :x2="dropX"
        :y1="lane('order').y - 3"
        :y2="lane('order').y + lane('order').h + 3"
        stroke="var(--order)"
        stroke-width="4"
      />
      <StripPlan :model="model" :lanes="lanes" :slim="slim" />
      <path v-if="pickedBox" :d="pickedBox" fill="none" stroke="var(--ink)" stroke-width="3" />
      <StripSeen v-if="model.seen" :seen="model.seen" :lanes="lanes" />

      <path :d="sayDots" :fill="hue('communication')" />
      <text
        v-for="s in said"
        :key="'say' + s.at + s.word"
        :x="x(s.at) + 8"
        :y="middle('communication') + 4"
        class="say"
        :fill="hue('communication')"
      >
        {{ s.word }}
      </text>

      <g v-if="playhead !== undefined" :transform="`translate(${x(playhead)} 0)`">
        <line y1="0" :y2="height" stroke="var(--ink)" stroke-width="2" />
        <path d="M-6 0h12l-6 8z" fill="var(--ink)" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.strip {
  width: 100%;
  min-width: 0;
}
svg {
  display: block;
  cursor: pointer;
  border-radius: 8px;
}
.name {
  font: 600 13px var(--text);
}
.say {
  font: 12px var(--text);
}
.movable {
  touch-action: pan-y;
}
</style>
