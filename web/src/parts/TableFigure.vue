<script setup lang="ts">
import { computed, useId, watchEffect } from 'vue'
import { boxAround, halves, mapOf, touched, type Half } from './body'
import { loadStructures, structuresAt, structuresOf } from './structures'
import { word } from './words'

/**
 * The massage table from above, with the client as they lie: linen where it is covered, skin where it is open, hatched through the sheet,
 * clay what is worked. The same body as in the picture of a step.
 */
const props = withDefaults(
  defineProps<{
    position?: string
    /** What the sheet has open. */
    open?: { unit: string; side: string }[]
    /** Zones under the hands, and whether through the sheet. */
    working?: { zones: string[]; side: string; through: boolean }
    /** Whether a touch of a zone is reported. */
    touchable?: boolean
    /** Whether only what is worked is shown, large, with what lies under the skin there. */
    closeUp?: boolean
    label?: string
  }>(),
  { position: 'prone' },
)
const emit = defineEmits<{ touch: [zone: string, side: Half, structures: string[]] }>()
const id = useId()

const map = computed(() => mapOf(props.position))
const linen = computed(() =>
  map.value.linen.filter(
    (p) =>
      !props.open?.some(
        (o) => o.unit === p.unit && (o.side === 'midline' || o.side === 'both' || o.side === p.side),
      ),
  ),
)
const zones = computed(() =>
  map.value.zones.map((z) => {
    const sides = props.working ? halves(props.working.side) : []
    const working =
      !!props.working?.zones.includes(z.zone) && (z.side === 'midline' || sides.includes(z.side))
    return {
      ...z,
      working,
      fill: working
        ? props.working!.through
          ? `url(#${id}-through)`
          : 'var(--picture-work)'
        : 'transparent',
      name: `${word(z.zone)}${z.side === 'midline' ? '' : ', ' + z.side}`,
    }
  }),
)
const WHOLE = '-420 -120 840 2050'
const box = computed(() => {
  const worked = props.closeUp ? zones.value.filter((z) => z.working) : []
  return worked.length ? boxAround(worked) : WHOLE
})
watchEffect(() => {
  if (props.closeUp) void loadStructures()
})
const structures = computed(() => {
  if (!props.closeUp || !props.working) return []
  const sides = halves(props.working.side)
  return structuresOf(map.value.position).filter((s) => s.side === 'midline' || sides.includes(s.side))
})
const shown = computed(() => zones.value.filter((z) => !z.behind || z.working))
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
/** The figure is one target: a touch means the zone on top there, else the nearest. */
function touch(e: MouseEvent) {
  const svg = e.currentTarget as SVGSVGElement
  const matrix = svg.getScreenCTM()
  if (!props.touchable || !matrix) return
  const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse())
  const zone = touched(map.value.zones, at)
  if (zone) emit('touch', zone.zone, zone.side, structuresAt(structures.value, at, zone.side))
}
</script>

<template>
  <svg
    :viewBox="box"
    class="figure"
    :class="{ touchable, 'close-up': closeUp }"
    role="img"
    :aria-label="spoken"
    @click="touch"
  >
    <defs>
      <pattern
        :id="`${id}-through`"
        width="30"
        height="30"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="15" height="30" fill="var(--picture-work)" />
      </pattern>
    </defs>
    <template v-if="map.position === 'seated'">
      <circle cy="830" r="230" class="frame" />
      <circle cy="830" r="204" class="pad" />
    </template>
    <template v-else>
      <circle v-if="map.position === 'prone'" cy="100" r="170" class="frame" />
      <rect
        x="-365"
        :y="map.position === 'prone' ? 200 : -70"
        width="730"
        :height="map.position === 'prone' ? 1700 : 1970"
        rx="60"
        class="frame"
      />
      <rect
        x="-335"
        :y="map.position === 'prone' ? 230 : -40"
        width="670"
        :height="map.position === 'prone' ? 1640 : 1910"
        rx="44"
        class="pad"
      />
    </template>
    <g :key="map.position" class="client">
      <path :d="map.body" class="body" />
      <g v-for="s in structures" :key="s.structure + s.side" :data-structure="s.structure">
        <path :d="s.path" :stroke-width="s.breadth" class="structure" :class="{ deep: s.deep }" />
        <path :d="s.path" class="course" :class="{ deep: s.deep }" />
      </g>
      <path v-for="(p, i) in linen" :key="`e${i}`" :d="p.path" class="hem" />
      <path v-for="(p, i) in linen" :key="`l${i}`" :d="p.path" class="linen" />
      <path
        v-for="z in shown"
        :key="z.zone + z.side"
        :d="z.path"
        :fill="z.fill"
        class="zone"
        :class="{ working: z.working, behind: z.behind }"
        :data-zone="z.zone"
        :data-side="z.side"
      >
        <title>{{ z.name }}</title>
      </path>
    </g>
  </svg>
</template>

<style scoped>
.figure {
  display: block;
  width: 100%;
  height: 100%;
}
.frame {
  fill: var(--picture-table);
}
.pad {
  fill: var(--picture-table-pad);
}
.body {
  fill: var(--picture-skin);
  stroke: var(--picture-line);
  stroke-width: 12;
  stroke-linejoin: round;
  paint-order: stroke;
}
.hem {
  fill: none;
  stroke: var(--picture-hem);
  stroke-width: 14;
  stroke-linejoin: round;
}
.linen {
  fill: var(--picture-linen);
}
.zone {
  stroke: transparent;
  stroke-width: 6;
  stroke-linejoin: round;
  transition: fill 0.35s ease;
}
/* Where a finger may go is hinted, so that it is found. */
.touchable .zone:not(.working) {
  stroke: var(--picture-hem);
  stroke-opacity: 0.45;
  stroke-width: 4;
}
.working {
  stroke: var(--picture-work-line);
}
.behind {
  stroke-dasharray: 22 14;
  fill-opacity: 0.5;
}
.client {
  animation: turn 0.4s ease;
  transform-origin: 0 900px;
}
@keyframes turn {
  from {
    transform: scaleX(0.1);
  }
}
@media (prefers-reduced-motion: reduce) {
  .client {
    animation: none;
  }
}
.structure,
.course {
  fill: none;
  stroke: var(--picture-muscle);
  stroke-opacity: 0.6;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.course {
  stroke: var(--picture-work-line);
  stroke-width: 3;
}
.structure.deep {
  stroke-opacity: 0.25;
}
.course.deep {
  stroke-dasharray: 10 10;
}
/* What lies under the skin is seen through what marks the zone. */
.close-up .working {
  fill-opacity: 0.25;
}
.touchable {
  cursor: pointer;
}
</style>
