<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { FINGERS, hue, wash, type Criterion } from './criteria'
import { boxes, dots, spaced, type Box, type StripModel } from './strip'
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
const NAME = 136
const lanes = computed(() => {
  const two = !!props.model.seen
  const h = props.slim
    ? { pressure: 28, order: two ? 40 : 24, mechanics: 14, communication: 16, draping: 14 }
    : { pressure: 62, order: two ? 74 : 44, mechanics: 26, communication: 30, draping: 26 }
  let y = 0
  return FINGERS.map((f) => {
    const lane = { ...f, y, h: h[f.id] }
    y += h[f.id] + 4
    return lane
  })
})
const height = computed(() => lanes.value.reduce((sum, l) => sum + l.h + 4, 0) - 4)
const room = computed(() => Math.max(200, width.value - NAME - 12))
const scale = computed(() => {
  const total = props.model.total
  const wide = room.value
  return (second: number) => NAME + (Math.min(second, total) / total) * wide
})
const x = (second: number) => scale.value(second)
const byId = computed(() => new Map(lanes.value.map((l) => [l.id, l])))
const lane = (id: Criterion) => byId.value.get(id)!
const says = computed(() => spaced(props.model.seen?.says ?? props.model.says, props.model.total, room.value))
/** A look every twenty seconds; where those would run into each other, every second or third of them. */
const looks = computed(() => {
  const every = 20 * Math.ceil((5 * props.model.total) / (20 * room.value))
  const marks = []
  for (let t = every; t < props.model.total; t += every) marks.push(t)
  return marks
})
function depthY(depth: number) {
  const l = lane('pressure')
  return l.y + l.h - 4 - (depth / 5) * (l.h - 8)
}
function reportY(n: number) {
  const l = lane('pressure')
  return l.y + l.h - 4 - (n / 10) * (l.h - 8)
}
/** The strip is one target: a touch picks what lies nearest in its lane, arrows go from block to block. */
const at = computed(() => props.model.blocks.findIndex((b) => b.key === props.picked))
const spokenValue = computed(() => {
  const b = props.model.blocks[at.value]
  return b
    ? `Step ${b.label}, ${b.title}, ${mmss(b.start)} to ${mmss(b.end)}${b.flagged ? ', with findings' : ''}`
    : 'no step'
})
function near<T>(
  items: readonly T[],
  second: number,
  from: (t: T) => number,
  to: (t: T) => number,
): T | undefined {
  let best: T | undefined
  let least = Infinity
  for (const item of items) {
    const far = Math.max(from(item) - second, second - to(item), 0)
    if (far < least) {
      least = far
      best = item
    }
  }
  return best
}
const svg = ref<SVGElement>()
const stepOf = (key: string) => key.slice(0, key.lastIndexOf('/'))
function blockAt(clientX: number) {
  const frame = svg.value!.getBoundingClientRect()
  const second = Math.max(0, ((clientX - frame.left - NAME) / room.value) * props.model.total)
  const block = near(
    props.model.blocks,
    second,
    (b) => b.start,
    (b) => b.end,
  )
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
  const second = ((e.clientX - frame.left - NAME) / room.value) * props.model.total
  const inside = second >= 0 && second <= props.model.total
  emit('hover', inside ? second : undefined)
  under.value = inside ? titleAt(second, e.clientY - frame.top) : ''
}
function titleAt(second: number, py: number): string {
  const talk = lane('communication')
  if (py >= talk.y && py <= talk.y + talk.h) {
    const say = near(
      says.value,
      second,
      (s) => s.at,
      (s) => s.at,
    )
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
  const second = Math.max(0, ((e.clientX - frame.left - NAME) / room.value) * props.model.total)
  const py = e.clientY - frame.top
  const where = lanes.value.find((l) => py <= l.y + l.h + 2)?.id ?? 'draping'
  const seen = props.model.seen
  const inLane = !seen
    ? undefined
    : where === 'pressure'
      ? near(
          seen.reports,
          second,
          (r) => r.at,
          (r) => r.at,
        )
      : where === 'mechanics'
        ? near(
            seen.looks,
            second,
            (r) => r.at,
            (r) => r.at,
          )
        : where === 'communication'
          ? near(
              seen.says,
              second,
              (r) => r.at,
              (r) => r.at,
            )
          : where === 'draping'
            ? near(
                seen.sheets,
                second,
                (r) => r.at,
                (r) => r.at,
              )
            : py > lane('order').y + lane('order').h / 2
              ? near(
                  seen.blocks,
                  second,
                  (b) => b.start,
                  (b) => b.end,
                )
              : undefined
  if (inLane) emit('event', inLane.key)
  else emit('moment', second)
  const block = near(
    props.model.blocks,
    second,
    (b) => b.start,
    (b) => b.end,
  )
  if (block) emit('pick', block.key)
}
function step(by: number) {
  const b = props.model.blocks[Math.min(props.model.blocks.length - 1, Math.max(0, at.value + by))]
  if (!b) return
  emit('pick', b.key)
  emit('moment', b.start)
}
const shade = (depth: number, pointed: boolean) => Math.min(1, 0.16 + depth * 0.13 + (pointed ? 0.2 : 0))
type Block = StripModel['blocks'][number]
/** Where the blocks are in the Order lane; what is the same for hundreds of them is looked up once. */
const orderBox = computed(() => {
  const at = scale.value
  const { y, h } = lane('order')
  const tall = (props.model.seen ? h / 2 : h) - 6
  return (b: Block): Box => ({
    x: at(b.start),
    y: y + 3,
    w: Math.max(2, at(b.end) - at(b.start) - 1.5),
    h: tall,
  })
})
const across = computed(() => {
  const at = scale.value
  return (b: Block, gap = 0) => ({ x: at(b.start), w: Math.max(1, at(b.end) - at(b.start) - gap) })
})
/** The blocks of the Order lane, those of one shade together. */
const shades = computed(() => {
  const by = new Map<number, Block[]>()
  for (const b of props.model.blocks) {
    const s = shade(b.depth, b.pointed)
    const same = by.get(s)
    if (same) same.push(b)
    else by.set(s, [b])
  }
  const box = orderBox.value
  return [...by].map(([opacity, of]) => ({ opacity, d: boxes(of.map(box), round.value) }))
})
const flags = computed(() =>
  boxes(props.model.blocks.filter((b) => b.flagged).map(orderBox.value), round.value),
)
const pickedBox = computed(() => {
  const b = props.model.blocks[at.value]
  return b && boxes([orderBox.value(b)], 4)
})
/** Hundreds of blocks are a few pixels wide each: drawn as plain bars, which costs a tenth of round and outlined ones. */
const dense = computed(() => room.value < 8 * props.model.blocks.length)
const round = computed(() => (dense.value ? 0 : 4))
const edges = computed(() => (dense.value ? 'crispEdges' : undefined))
const labels = computed(() => {
  const at = scale.value
  return props.model.blocks.filter((b) => at(b.end) - at(b.start) > 8 + 7 * b.label.length)
})
/** Bands of what the client should say, once something was seen; else the depth of each block. */
const bands = computed(() => {
  const box = across.value
  const seen = !!props.model.seen
  return boxes(
    props.model.blocks.flatMap((b) => {
      if (!b.band || !seen) return []
      const y = reportY(b.band.high)
      return { ...box(b, 1), y, h: Math.max(2, reportY(b.band.low) - y) }
    }),
  )
})
const depths = computed(() => {
  const box = across.value
  const seen = !!props.model.seen
  const h = props.slim ? 5 : 9
  return boxes(
    props.model.blocks.flatMap((b) => (b.band && seen ? [] : { ...box(b, 1), y: depthY(b.depth), h })),
    2,
  )
})
function sheets(of: (b: Block) => boolean) {
  const l = lane('draping')
  const box = across.value
  return boxes(props.model.blocks.filter(of).map((b) => ({ ...box(b), y: l.y + 5, h: l.h - 10 })))
}
const open = computed(() => sheets((b) => b.open))
const through = computed(() => sheets((b) => b.through && !b.open))
const middle = (id: Criterion) => lane(id).y + lane(id).h / 2
const said = computed(() => (props.slim ? [] : says.value.filter((s) => s.shown)))
const sayDots = computed(() => {
  const at = scale.value
  return dots(
    says.value.map((s) => at(s.at)),
    middle('communication'),
    4.5,
  )
})
const lookMarks = computed(() => {
  const l = lane('mechanics')
  const at = scale.value
  return boxes(looks.value.map((t) => ({ x: at(t) - 1, y: l.y + 6, w: 2, h: l.h - 12 })))
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
      <g v-for="l in lanes" :key="l.id">
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
      <template v-if="model.seen">
        <rect
          v-for="(a, i) in model.seen.attended"
          :key="'att' + i"
          :x="x(a.start)"
          :y="lane('mechanics').y + 1"
          :width="Math.max(0, x(a.end) - x(a.start))"
          :height="lane('mechanics').h - 2"
          :fill="wash('mechanics')"
          opacity="0.45"
        />
      </template>

      <path :d="bands" :fill="wash('pressure')" />
      <path
        :d="depths"
        :fill="dense ? hue('pressure') : wash('pressure')"
        :stroke="dense ? undefined : hue('pressure')"
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
      <path v-if="pickedBox" :d="pickedBox" fill="none" stroke="var(--ink)" stroke-width="3" />
      <text
        v-for="b in labels"
        :key="'n' + b.key"
        :x="x(b.start) + 5"
        :y="lane('order').y + (model.seen ? lane('order').h / 4 : lane('order').h / 2) + 4"
        class="digit"
        :fill="shade(b.depth, b.pointed) > 0.6 ? 'var(--on-hue)' : 'var(--ink)'"
      >
        {{ b.label }}
      </text>

      <template v-if="model.seen">
        <g v-for="b in model.seen.blocks" :key="'s' + b.key">
          <rect
            :x="x(b.start)"
            :y="lane('order').y + lane('order').h / 2 + 1"
            :width="Math.max(2, x(b.end) - x(b.start) - 1.5)"
            :height="lane('order').h / 2 - 4"
            rx="4"
            :fill="wash('order')"
            :stroke="b.moved ? 'var(--stop)' : hue('order')"
            :stroke-width="b.moved ? 2.5 : 1"
          />
          <text
            v-if="x(b.end) - x(b.start) > 8 + 7 * b.label.length"
            :x="x(b.start) + 5"
            :y="lane('order').y + (3 * lane('order').h) / 4 + 3"
            class="digit"
            fill="var(--ink)"
          >
            {{ b.label }}
          </text>
        </g>
        <g v-for="r in model.seen.reports" :key="r.key">
          <title>The client said {{ r.number }} at {{ mmss(r.at) }}</title>
          <circle :cx="x(r.at)" :cy="reportY(r.number)" r="8" fill="transparent" />
          <circle
            :cx="x(r.at)"
            :cy="reportY(r.number)"
            r="4.5"
            :fill="hue('pressure')"
            :stroke="r.over ? 'var(--ink)' : 'none'"
            stroke-width="2"
          />
        </g>
        <rect
          v-for="k in model.seen.looks"
          :key="k.key"
          :x="x(k.at) - 4"
          :y="lane('mechanics').y + (k.clean ? lane('mechanics').h / 2 - 2 : 3)"
          width="8"
          :height="k.clean ? 4 : lane('mechanics').h - 6"
          rx="2"
          :fill="k.clean ? hue('mechanics') : 'var(--stop)'"
        >
          <title>{{ k.clean ? 'Clean look' : 'Look with faults' }} at {{ mmss(k.at) }}</title>
        </rect>
        <rect
          v-for="(o, i) in model.seen.opens"
          :key="'open' + i"
          :x="x(o.start)"
          :y="lane('draping').y + lane('draping').h / 2 - 2"
          :width="Math.max(2, x(o.end) - x(o.start))"
          height="4"
          rx="2"
          :fill="hue('draping')"
          fill-opacity="0.55"
        />
        <rect
          v-for="s in model.seen.sheets"
          :key="s.key"
          :x="x(s.at) - 3"
          :y="lane('draping').y + 3"
          width="6"
          :height="lane('draping').h - 6"
          rx="2"
          :fill="s.fault ? 'var(--stop)' : hue('draping')"
        >
          <title>{{ s.fault ? 'Draping fault' : 'Sheet' }} at {{ mmss(s.at) }}</title>
        </rect>
      </template>
      <template v-else>
        <path :d="lookMarks" :shape-rendering="edges" :fill="hue('mechanics')" fill-opacity="0.55" />
        <path :d="open" :shape-rendering="edges" :fill="hue('draping')" fill-opacity="0.55" />
        <path :d="through" :shape-rendering="edges" :fill="hue('draping')" fill-opacity="0.18" />
      </template>

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
.digit {
  font: 700 12px var(--text);
}
.say {
  font: 12px var(--text);
}
.movable {
  touch-action: pan-y;
}
</style>
