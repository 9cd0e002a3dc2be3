<script setup lang="ts">
import { usePreferredReducedMotion, useRafFn } from '@vueuse/core'
import { computed, nextTick, useId, useTemplateRef, watch } from 'vue'
import { breath, placed, type Picture } from './picture'

/**
 * A step as it is seen from above the table: the sheet, what is worked, the way of the stroke, the hands at true size. Whatever is drawn
 * is in the picture's own data; here it gets its look and its movement.
 */
const props = withDefaults(
  defineProps<{
    picture: Picture
    label: string
    /** Seconds the hands have worked; the hands run by themselves where it is left out. */
    seconds?: number
    /** Whether the hands stand still. */
    still?: boolean
    /** Whether sheet, limb and feet are set first, and no hand is on yet. */
    setUp?: boolean
  }>(),
  { seconds: undefined },
)
const id = useId()
const body = computed(() => props.picture.shapes.filter((s) => s.role === 'body'))
const box = computed(() => {
  const b = props.picture.box
  return `${b.x} ${b.y} ${b.width} ${b.height}`
})
const swells = computed(() => props.picture.motion.breathes)
const centre = computed(() => {
  const line = props.picture.motion.lines[0]!
  return line[Math.floor(line.length / 2)]!
})
const INSIDE = ['muscle', 'fibre', 'structure', 'structure-fibre']
/** What the breath lifts. */
const LIFTED = ['worked', 'structure', 'structure-fibre', 'deep']

const drawing = useTemplateRef('drawing')
const reduced = usePreferredReducedMotion()
/** What moves, as it stands in the page now. */
let hands: Element[] = []
let lifted: Element[] = []
let began = performance.now()
/** Between two ticks of the clock it goes on by itself. */
let told = { seconds: 0, at: 0 }
watch(
  () => props.seconds,
  (seconds) => (told = { seconds: seconds ?? 0, at: performance.now() }),
  { immediate: true },
)
watch(
  () => props.picture,
  () => {
    began = performance.now()
    void nextTick(find)
  },
  { immediate: true },
)
function find() {
  hands = [...(drawing.value?.querySelectorAll('.hands') ?? [])]
  lifted = [...(drawing.value?.querySelectorAll('.lifted') ?? [])]
  paint()
}
function now() {
  if (props.still) return 0
  if (props.seconds === undefined) return (performance.now() - began) / 1000
  return told.seconds + Math.min(0.3, (performance.now() - told.at) / 1000)
}
function paint() {
  // Who wants no movement sees it step once a second.
  const seconds = reduced.value === 'reduce' ? Math.floor(now()) : now()
  let side = 0
  props.picture.hands.forEach((hand, i) => {
    const p = placed(hand, props.picture.motion, seconds, hand.works ? side++ : 0)
    const mirror = hand.mirrored ? -p.scale : p.scale
    hands[i]?.setAttribute(
      'transform',
      `translate(${p.x.toFixed(1)} ${p.y.toFixed(1)}) rotate(${p.degrees.toFixed(1)}) scale(${mirror.toFixed(3)} ${p.scale.toFixed(3)})`,
    )
  })
  if (swells.value && reduced.value !== 'reduce') {
    const k = 1 + 0.03 * breath(seconds)
    const { x, y } = centre.value
    lifted.forEach((g) =>
      g.setAttribute('transform', `translate(${x} ${y}) scale(${k.toFixed(4)}) translate(${-x} ${-y})`),
    )
  }
}
const raf = useRafFn(paint, { immediate: false })
watch(
  () => !props.still,
  (runs) => (runs ? raf.resume() : (raf.pause(), paint())),
  { immediate: true, flush: 'post' },
)
</script>

<template>
  <svg
    ref="drawing"
    class="picture"
    :class="{ 'set-up': setUp }"
    :viewBox="box"
    preserveAspectRatio="xMidYMid meet"
    role="img"
    :aria-label="label"
  >
    <defs>
      <clipPath :id="`${id}-body`">
        <path v-for="(s, i) in body" :key="i" :d="s.path" />
      </clipPath>
      <pattern
        :id="`${id}-spared`"
        width="12"
        height="12"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0,0V12" class="hatch" />
      </pattern>
      <marker
        :id="`${id}-head`"
        viewBox="0 0 6 6"
        refX="3"
        refY="3"
        markerWidth="4"
        markerHeight="4"
        orient="auto"
      >
        <path d="M0,0L6,3L0,6Z" class="head" />
      </marker>
    </defs>
    <g
      v-for="(s, i) in picture.shapes"
      :key="i"
      :class="{ lifted: swells && LIFTED.includes(s.role) }"
      :clip-path="INSIDE.includes(s.role) ? `url(#${id}-body)` : undefined"
    >
      <path v-if="s.role === 'way' || s.role === 'way-back'" :d="s.path" class="way-edge" />
      <path
        :d="s.path"
        :class="s.role"
        :fill="s.role === 'spared' ? `url(#${id}-spared)` : undefined"
        :marker-end="s.role === 'way' ? `url(#${id}-head)` : undefined"
      />
    </g>
    <g v-for="(h, i) in picture.hands" :key="`h${i}`" :class="['hands', { under: h.under }]">
      <path v-for="(s, j) in h.shapes" :key="j" :d="s.path" :class="s.role" />
    </g>
  </svg>
</template>

<style scoped src="./picture.css"></style>
