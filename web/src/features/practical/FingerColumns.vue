<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import { AS_THE_HAND_LIES, hue, type Criterion } from '@/parts/criteria'
import { mmss } from '@/parts/words'
import type { Pick } from './fingers'
import { seenOf } from './tableModel'
import type { Capture } from './useCapture'
import type { Progress } from './useProgress'

/** Five fingers as five columns, each with all it can write down; the steps stand in the column of order. */
const props = defineProps<{
  progress: Progress
  capture: Capture
  scores?: Schema['ScoreView']
  /** Names of the keys of the fingers, while keys are on. */
  nameOf?: (id: Criterion) => string
}>()
/** The finger that is open; none while something else is in front. */
const opened = defineModel<Criterion | undefined>('opened', { required: true })

const scoreOf = (id: string) => props.scores?.criteria.find((c) => c.criterion === id)
const keyOf = (finger: Criterion, p: Pick) =>
  props.nameOf && opened.value === finger ? p.key.toUpperCase() : undefined

const list = ref<HTMLElement[]>()
watch(
  () => props.progress.chosen,
  () => nextTick(() => list.value?.[0]?.querySelector('.chosen')?.scrollIntoView({ block: 'nearest' })),
)
</script>

<template>
  <section
    v-for="f in AS_THE_HAND_LIES"
    :key="f.id"
    class="finger"
    :class="[f.id, { opened: opened === f.id }]"
    :style="{ '--hue': hue(f.id) }"
    :aria-label="f.name"
  >
    <div class="tip" :class="{ hot: progress.cues[f.id].hot }">
      <button class="head" :aria-pressed="opened === f.id" @click="opened = f.id">
        <span class="letter" aria-hidden="true">{{ f.letter }}</span><span class="name">{{ f.name }}</span>
        <span v-if="nameOf" class="key">{{ nameOf(f.id) }}</span>
      </button>
      <span
        class="meter"
        :title="`${scoreOf(f.id)?.observations ?? 0} of ${scoreOf(f.id)?.enough ?? 0} that are enough`"
        ><span :style="{ width: 100 * seenOf(scoreOf(f.id)) + '%' }"
      /></span>
      <span class="cue" :class="{ hot: progress.cues[f.id].hot }" aria-live="polite">{{
        progress.cues[f.id].text
      }}</span>
    </div>
    <div class="has">
      <p v-if="opened === f.id" class="cue own" aria-hidden="true">{{ progress.cues[f.id].text }}</p>
      <div v-if="f.id === 'pressure'" class="digits" role="group" aria-label="The client says">
        <button
          v-for="n in 11"
          :key="n"
          class="digit"
          :class="{
            inband: n - 1 >= progress.band.low && n - 1 <= progress.band.high,
            last: progress.shown === n - 1,
          }"
          @click="capture.report(n - 1)"
        >
          {{ n - 1 }}
        </button>
      </div>
      <div class="picks">
        <button
          v-for="p in progress.picks[f.id]"
          :key="p.id"
          class="pick"
          :class="{ strong: p.main, held: p.id === 'hold' && capture.holding }"
          @click="capture.pick(p)"
          @pointerdown="p.id === 'hold' && capture.down()"
          @pointerup="p.id === 'hold' && capture.up()"
          @pointerleave="p.id === 'hold' && capture.up()"
          @keydown.enter.prevent="p.id === 'hold' ? $event.repeat || capture.down() : capture.pick(p)"
          @keyup.enter="p.id === 'hold' && capture.up()"
        >
          <span>{{ p.id === 'hold' && capture.holding ? 'Let go' : p.label }}</span>
          <small v-if="keyOf(f.id, p)" class="key">{{ keyOf(f.id, p) }}</small>
          <small v-else-if="progress.count(p)" class="tally">{{ progress.count(p) }}</small>
        </button>
      </div>
      <div v-if="f.id === 'order'" ref="list" class="list" role="list" aria-label="Steps asked">
        <button
          v-for="(t, i) in progress.tiles"
          :key="t.key"
          role="listitem"
          class="tile"
          :class="{
            on: t.key === progress.on,
            done: progress.done(t.key),
            chosen: i === progress.chosen,
          }"
          :aria-current="t.key === progress.on ? 'step' : undefined"
          @click="capture.start(i)"
        >
          <b>{{ t.place }}</b>
          <span
            >{{ t.step.name
            }}<i v-if="t.span.side !== 'both' && t.span.side !== 'midline'"> · {{ t.span.side }}</i></span
          >
          <em>{{ mmss(progress.spent(t.key) || t.span.end - t.span.start) }}</em>
        </button>
      </div>
    </div>
  </section>
</template>

<style scoped src="./digit.css"></style>
<style scoped src="./pick.css"></style>
<style scoped src="./fingerColumns.css"></style>
