<script setup lang="ts">
import { computed } from 'vue'
import type { Criterion } from './criteria'
import { palmMarkup, spokenPalm, type Bar } from './palm'

/** The five criteria as a hand: bars of equal length, filled in four steps; a number of secure ones in the palm. */
const props = withDefaults(
  defineProps<{
    bars: readonly Bar[]
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
const markup = computed(() => palmMarkup(props.bars, props.secure, !!props.upright, props.only ?? ''))
const spoken = computed(() => `${props.label ? props.label + ': ' : ''}${spokenPalm(props.bars)}`)
</script>

<template>
  <svg
    :width="size"
    :height="size * (upright ? 0.46 : 0.84)"
    :viewBox="upright ? '-2 -28 74 34' : '0 0 64 54'"
    role="img"
    :aria-label="spoken"
    v-html="markup"
  />
</template>

<style scoped>
svg {
  display: block;
}
</style>
