<script setup lang="ts">
import { computed } from 'vue'
import { AS_THE_HAND_LIES, hue, type Criterion } from './criteria'

/** The five criteria as a hand: bars of equal length, filled in four steps; a number of secure ones in the palm. */
const props = withDefaults(
  defineProps<{
    bars: { criterion: Criterion; fill: number; state: string }[]
    /** How many are secure; absent leaves the palm empty. */
    secure?: number
    /** Width in px. */
    size?: number
    /** What it stands for, for those who hear it. */
    label?: string
    /** Bars stand side by side, the number beside them: for rows that are low. */
    upright?: boolean
    /** The others step back. */
    only?: Criterion | ''
  }>(),
  { size: 64 },
)

const ANGLES = [-58, -27, 0, 27, 62]
/** Where the bars stand when they stand upright; the foot of all of them is at y 26. */
const STAND = [4, 14, 24, 34, 44]
const LENGTH = 22
const fingers = computed(() =>
  AS_THE_HAND_LIES.map((f, i) => {
    const bar = props.bars.find((b) => b.criterion === f.id)
    return {
      ...f,
      place: props.upright ? `translate(${STAND[i]} 14)` : `translate(32 40) rotate(${ANGLES[i] ?? 0})`,
      faint: !!props.only && props.only !== f.id,
      fill: bar?.fill ?? 0,
      state: bar?.state ?? 'not seen',
    }
  }),
)
const spoken = computed(
  () =>
    `${props.label ? props.label + ': ' : ''}${[...fingers.value]
      .reverse()
      .map((f) => `${f.name} ${f.state}`)
      .join(', ')}`,
)
</script>

<template>
  <svg
    :width="size"
    :height="size * (upright ? 0.42 : 0.84)"
    :viewBox="upright ? '0 -24 68 28' : '0 0 64 54'"
    role="img"
    :aria-label="spoken"
  >
    <g v-for="f in fingers" :key="f.id" :transform="f.place" :opacity="f.faint ? 0.15 : 1">
      <rect
        x="-3.6"
        :y="-12 - LENGTH"
        width="7.2"
        :height="LENGTH"
        rx="3.6"
        fill="none"
        :stroke="hue(f.id)"
        stroke-width="1.2"
        :stroke-dasharray="f.state === 'not seen' ? '2 2' : undefined"
      />
      <rect
        v-if="f.fill > 0"
        x="-3.6"
        :y="-12 - (LENGTH * f.fill) / 4"
        width="7.2"
        :height="(LENGTH * f.fill) / 4"
        rx="3.6"
        :fill="hue(f.id)"
      />
      <circle
        v-if="f.state === 'due again'"
        :cy="-12 - LENGTH + 3"
        r="5.2"
        fill="none"
        stroke="var(--ink)"
        stroke-width="1.6"
      />
      <path
        v-if="f.state === 'open critical'"
        :transform="`translate(0 ${-12 - LENGTH + 3})`"
        d="M-4.5 -4.5 4.5 4.5M4.5 -4.5 -4.5 4.5"
        stroke="var(--stop)"
        stroke-width="2.6"
        stroke-linecap="round"
      />
    </g>
    <rect
      :x="upright ? 51 : 23"
      :y="upright ? -15 : 35"
      width="18"
      height="17"
      rx="7.5"
      :fill="secure === undefined || bars.every((b) => b.fill === 0) ? 'none' : 'var(--ink)'"
      stroke="var(--ink)"
      stroke-width="1.2"
      :stroke-dasharray="bars.every((b) => b.fill === 0) ? '2 2' : undefined"
    />
    <text
      v-if="secure !== undefined && !bars.every((b) => b.fill === 0)"
      :x="upright ? 60 : 32"
      :y="upright ? -2.4 : 47.6"
      text-anchor="middle"
      font-size="11.5"
      font-weight="700"
      fill="var(--paper)"
    >
      {{ secure }}
    </text>
  </svg>
</template>
