<script setup lang="ts">
import { computed } from 'vue'

/**
 * The hand on the body, in the language of the palm: capsules for fingers, a round for the palm, the forearm as a long capsule; clay is
 * what touches.
 */
const props = withDefaults(
  defineProps<{
    /** Tool of the hand, such as loose-fist. */
    tool: string
    /** Width in px. */
    size?: number
    label?: string
  }>(),
  { size: 96 },
)
interface Part {
  x: number
  y: number
  w: number
  h: number
  turn?: number
  /** Whether it touches. */
  on?: boolean
  /** Whether it is of the other hand. */
  other?: boolean
}
interface Dot {
  x: number
  y: number
  r: number
}
const four = (y: number, h: number, on = false): Part[] =>
  [0, 1, 2, 3].map((i) => ({ x: 30 + i * 9, y: y + [3, 0, 1, 5][i]!, w: 7.5, h: h - [3, 0, 1, 5][i]!, on }))
const palm = (on = false): Part => ({ x: 29, y: 42, w: 36, h: 30, on })
const thumb = (on = false, turn = 38): Part => ({ x: 22, y: 38, w: 8, h: 28, turn: -turn, on })
const wrist: Part = { x: 37, y: 68, w: 20, h: 26 }

const SHAPES: Record<string, { parts: Part[]; dots?: Dot[] }> = {
  palm: { parts: [wrist, ...four(12, 34, true), thumb(true), palm(true)] },
  forearm: {
    parts: [
      { x: 8, y: 46, w: 66, h: 20, turn: -18, on: true },
      { x: 66, y: 24, w: 22, h: 18, turn: -18 },
    ],
  },
  'loose-fist': {
    parts: [
      wrist,
      palm(),
      ...[0, 1, 2, 3].map((i) => ({ x: 30 + i * 9, y: 30, w: 8, h: 20, on: true })),
      thumb(false, 62),
    ],
  },
  knuckles: {
    parts: [
      wrist,
      palm(),
      ...[0, 1, 2, 3].map((i) => ({ x: 30 + i * 9, y: 28, w: 8, h: 20 })),
      thumb(false, 62),
    ],
    dots: [0, 1, 2, 3].map((i) => ({ x: 34 + i * 9, y: 29, r: 4.2 })),
  },
  'reinforced-fingers': {
    parts: [
      wrist,
      palm(),
      ...four(12, 34, true),
      ...[0, 1, 2].map((i) => ({ x: 46 + i * 8, y: 22, w: 7, h: 30, turn: 40, other: true })),
      { x: 66, y: 42, w: 24, h: 22, turn: 40, other: true },
    ],
  },
  'finger-pads': {
    parts: [wrist, palm(), ...four(12, 34), thumb()],
    dots: [1, 2, 3].map((i) => ({ x: 24.7 + i * 9, y: 17 + [0, 3, 0, 1][i]!, r: 4 })),
  },
  'heel-of-hand': {
    parts: [wrist, palm(), ...four(12, 34), thumb(), { x: 29, y: 56, w: 36, h: 17, on: true }],
  },
  pincer: {
    parts: [
      { x: 52, y: 50, w: 34, h: 26 },
      { x: 34, y: 22, w: 8, h: 40, turn: 62 },
      { x: 36, y: 50, w: 8, h: 34, turn: 100 },
    ],
    dots: [
      { x: 20, y: 33, r: 4.6 },
      { x: 23, y: 64, r: 4.6 },
    ],
  },
  'supported-thumb': {
    parts: [
      { x: 44, y: 34, w: 34, h: 28 },
      { x: 30, y: 24, w: 9, h: 44, turn: 70 },
      { x: 26, y: 16, w: 9, h: 40, turn: 62, other: true },
      { x: 46, y: 10, w: 30, h: 20, other: true },
    ],
    dots: [{ x: 15, y: 54, r: 5 }],
  },
  'bare-thumb': {
    parts: [
      { x: 44, y: 30, w: 34, h: 30 },
      { x: 30, y: 26, w: 9, h: 44, turn: 66 },
    ],
    dots: [{ x: 15, y: 57, r: 5 }],
  },
  elbow: {
    parts: [
      { x: 44, y: 6, w: 18, h: 64, turn: -24 },
      { x: 18, y: 8, w: 18, h: 62, turn: 26 },
    ],
    dots: [{ x: 38, y: 72, r: 6.5 }],
  },
}
const shape = computed(() => SHAPES[props.tool] ?? SHAPES.palm!)
</script>

<template>
  <svg :width="size" :height="size" viewBox="0 0 96 96" role="img" :aria-label="label ?? tool">
    <rect
      v-for="(p, i) in shape.parts"
      :key="i"
      :x="p.x"
      :y="p.y"
      :width="p.w"
      :height="p.h"
      :rx="Math.min(p.w, p.h) / 2"
      :transform="p.turn ? `rotate(${p.turn} ${p.x + p.w / 2} ${p.y + p.h / 2})` : undefined"
      :fill="p.on ? 'var(--clay)' : p.other ? 'var(--linen-shade)' : 'var(--skin)'"
      stroke="var(--ink)"
      stroke-width="1.3"
    />
    <circle
      v-for="(d, i) in shape.dots"
      :key="`d${i}`"
      :cx="d.x"
      :cy="d.y"
      :r="d.r"
      fill="var(--clay)"
      stroke="var(--ink)"
      stroke-width="1.3"
    />
  </svg>
</template>
