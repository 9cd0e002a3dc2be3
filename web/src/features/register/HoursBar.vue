<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { hourKindName, hoursText } from '@/parts/hours'

/** Hours of one kind as one bar: what counts is filled, what is to come is striped, what will be lacking is left open to the mark. */
const props = defineProps<{
  of: Schema['KindHours']
  /** Hours that the whole width stands for. */
  full: number
  /** Without words, where they stand beside it. */
  bare?: boolean
}>()
const counts = computed(() => props.of.attended + props.of.madeUp + props.of.entered + props.of.excused)
const share = (h: number) => `${(100 * Math.min(h, props.full)) / Math.max(props.full, 0.01)}%`
const said = computed(() => {
  const asked = props.of.asked > 0 ? ` of ${hoursText(props.of.asked)} h asked for` : ' h'
  const lacking = props.of.missing > 0 ? `, ${hoursText(props.of.missing)} h will be lacking` : ''
  return `${hourKindName(props.of.kind)}: ${hoursText(counts.value)}${asked}, ${hoursText(props.of.toCome)} h to come${lacking}`
})
</script>

<template>
  <div class="hours" role="img" :aria-label="said" :title="said">
    <div class="bar">
      <span class="had" :style="{ width: share(counts) }" />
      <span class="come" :style="{ width: share(Math.min(of.toCome, Math.max(0, full - counts))) }" />
      <span v-if="of.missing > 0" class="lack" :style="{ width: share(of.missing) }" />
      <span v-if="of.asked > 0" class="asked" :style="{ left: share(of.asked) }" />
    </div>
    <span v-if="!bare" class="n"
      ><strong>{{ hoursText(counts) }}</strong
      ><template v-if="of.asked > 0"> / {{ hoursText(of.asked) }}</template></span
    >
  </div>
</template>

<style scoped>
.hours {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
}
.bar {
  position: relative;
  flex: 1;
  min-width: 40px;
  height: 16px;
  border-radius: 8px;
  background: var(--ground);
  box-shadow: inset 0 0 0 1px var(--line);
  display: flex;
  overflow: hidden;
}
.had {
  background: var(--ink);
}
.come {
  background: repeating-linear-gradient(135deg, var(--edge) 0 2px, transparent 2px 6px);
}
.lack {
  background: var(--stop-wash);
  box-shadow: inset 0 0 0 1.5px var(--stop);
}
.asked {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  margin-left: -2px;
  background: var(--stop);
}
.n {
  flex: none;
  min-width: 64px;
  font-size: 14px;
  text-align: right;
}
</style>
