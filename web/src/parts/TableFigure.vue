<script setup lang="ts">
import { computed } from 'vue'
import { BACK, FRONT, facesUp, halves, onRight, type Half } from './body'
import { word } from './words'

/** The massage table from above: linen is covered, skin is open, hatched is through the sheet, clay is being worked. */
const props = withDefaults(
  defineProps<{
    position?: string
    /** What the sheet has open. */
    open?: { unit: string; side: string }[]
    /** Zones under the hands, and whether through the sheet. */
    working?: { zones: string[]; side: string; through: boolean }
    /** Zones drawn strongly, as for coverage or a region. */
    marked?: string[]
    /** Whether a touch of a zone is reported. */
    touchable?: boolean
    label?: string
  }>(),
  { position: 'prone' },
)
const emit = defineEmits<{ touch: [zone: string, side: Half] }>()

const front = computed(() => facesUp(props.position))

const shapes = computed(() =>
  (front.value ? FRONT : BACK).flatMap((shape) => {
    const sides: Half[] = shape.mid ? ['midline'] : ['left', 'right']
    return sides.map((half) => {
      const x = shape.mid
        ? 60 + shape.dx
        : onRight(half, front.value)
          ? 60 + shape.dx
          : 60 - shape.dx - shape.w
      const on = (side: string) => shape.mid || halves(side).includes(half)
      const working = !!props.working && props.working.zones.includes(shape.zone) && on(props.working.side)
      const open =
        shape.unit === 'head' ||
        !!props.open?.some((o) => o.unit === shape.unit && (o.side === 'midline' || o.side === half))
      const through = working && !!props.working?.through
      return {
        key: shape.zone + half,
        zone: shape.zone,
        half,
        x,
        y: shape.y,
        w: shape.w,
        h: shape.h,
        fill: through ? 'url(#clay-hatch)' : working ? 'var(--clay)' : open ? 'var(--skin)' : 'var(--linen)',
        marked: props.marked?.includes(shape.zone) ?? false,
        name: `${word(shape.zone)}${half === 'midline' ? '' : ', ' + half}`,
      }
    })
  }),
)
const spoken = computed(() => {
  if (props.label) return props.label
  const work = props.working
    ? `working on ${props.working.zones.map(word).join(', ')}, ${props.working.side}`
    : 'nothing worked'
  const open = props.open?.length
    ? `open: ${props.open.map((o) => (o.side === 'midline' ? o.unit : o.side + ' ' + o.unit)).join(', ')}`
    : 'all covered'
  return `Table from above, client ${word(props.position)}; ${work}; ${open}`
})
/** The figure is one target: a touch means the zone that lies nearest, later drawn ones first. */
function touch(e: MouseEvent) {
  const svg = e.currentTarget as SVGSVGElement
  const matrix = svg.getScreenCTM()
  if (!props.touchable || !matrix) return
  const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse())
  let best = shapes.value[0]
  let least = Infinity
  for (const s of shapes.value) {
    const far = Math.hypot(
      Math.max(s.x - at.x, 0, at.x - s.x - s.w),
      Math.max(s.y - at.y, 0, at.y - s.y - s.h),
    )
    if (far <= least) {
      least = far
      best = s
    }
  }
  if (best && least < 12) emit('touch', best.zone, best.half)
}
</script>

<template>
  <svg
    viewBox="0 0 120 262"
    class="figure"
    :class="{ touchable }"
    role="img"
    :aria-label="spoken"
    @click="touch"
  >
    <defs>
      <pattern
        id="clay-hatch"
        width="4"
        height="4"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="4" height="4" fill="var(--linen)" />
        <rect width="2" height="4" fill="var(--clay)" />
      </pattern>
    </defs>
    <circle cx="60" cy="15" r="14" fill="var(--table)" />
    <rect x="10" y="27" width="100" height="230" rx="9" fill="var(--table)" />
    <rect x="14" y="31" width="92" height="222" rx="7" fill="var(--table-pad)" />
    <g :key="front ? 'front' : 'back'" class="body">
      <rect
        v-for="z in shapes"
        :key="z.key"
        :x="z.x"
        :y="z.y"
        :width="z.w"
        :height="z.h"
        :rx="Math.min(z.w, z.h) / 2.4"
        :fill="z.fill"
        :stroke="z.marked ? 'var(--ink)' : 'var(--linen-shade)'"
        :stroke-width="z.marked ? 1.2 : 0.6"
        :data-zone="z.zone"
        :data-side="z.half"
      >
        <title>{{ z.name }}</title>
      </rect>
    </g>
  </svg>
</template>

<style scoped>
.figure {
  display: block;
  width: 100%;
  height: 100%;
}
/* The sheet and the zones change in sight; a turn is seen as a turn. */
.body rect {
  transition:
    fill 0.35s ease,
    stroke-width 0.35s ease;
}
.body {
  animation: turn 0.4s ease;
  transform-origin: 60px 140px;
}
@keyframes turn {
  from {
    transform: scaleX(0.1);
  }
}
.touchable {
  cursor: pointer;
}
</style>
