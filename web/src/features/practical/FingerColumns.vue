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
const opened = defineModel<Criterion>('opened', { required: true })

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
            last: progress.lastReport?.data.number === n - 1,
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
            on: t.key === progress.state.on,
            done: progress.state.spent.has(t.key),
            chosen: i === progress.chosen,
          }"
          :aria-current="t.key === progress.state.on ? 'step' : undefined"
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
<style scoped>
.list {
  flex: 1;
  min-height: 96px;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.tile {
  min-height: 48px;
  flex: none;
  display: grid;
  grid-template-columns: 18px 1fr auto;
  gap: 6px;
  align-items: center;
  border: 2px solid transparent;
  border-radius: 12px;
  background: none;
  color: inherit;
  font: 500 14px/1.15 var(--text);
  text-align: left;
  padding: 4px 8px;
  cursor: pointer;
}
.tile i {
  font-style: normal;
  color: var(--ink-soft);
}
.tile em {
  font-style: normal;
}
.tile.done {
  color: var(--ink-soft);
}
.tile.done em::after {
  content: ' ✓';
}
.tile.chosen {
  background: var(--order-wash);
  border-color: var(--order);
}
.tile.on {
  background: var(--ink);
  color: var(--paper);
}
.tile.on i {
  color: inherit;
}
.finger {
  border: 1.5px solid var(--hue);
  border-radius: 20px;
  background: var(--paper);
  padding: 6px 7px;
  min-height: 0;
  overflow: hidden auto;
}
.finger,
.tip,
.has {
  display: flex;
  flex-direction: column;
  gap: 5px;
}
.has {
  flex: 1;
  min-height: 0;
}
.letter,
.own {
  display: none;
}
.finger.opened {
  border-width: 4px;
  padding: 3px 4px;
}
.head {
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--hue);
  font: 700 15px var(--head);
  cursor: pointer;
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: center;
  flex: none;
}
.meter {
  height: 8px;
  border-radius: 4px;
  background: var(--line);
  overflow: hidden;
  flex: none;
}
.meter span {
  display: block;
  height: 100%;
  background: var(--hue);
}
.cue {
  min-height: 18px;
  font-size: 13px;
  text-align: center;
  color: var(--ink-soft);
  flex: none;
}
.cue.hot {
  color: var(--stop);
  font-weight: 700;
}
.digits {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 4px;
  flex: none;
}
.digit.inband {
  background: var(--pressure-wash);
}
.digit.last {
  background: var(--pressure);
  color: var(--on-hue);
}
.picks {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 5px;
}
.pick {
  min-height: 50px;
}
.pick.strong {
  grid-column: 1 / -1;
}
/* Eleven digits leave the thumb less room. */
.finger.pressure .picks {
  grid-template-columns: repeat(3, 1fr);
}
.finger.pressure .pick {
  font-size: 12.5px;
}
.finger.pressure .pick.strong {
  grid-column: auto;
}
.finger.order .picks {
  grid-template-columns: repeat(5, 1fr);
}
.finger.order .pick {
  font-size: 13px;
}
.tally {
  font-weight: 700;
}
/* A tablet: the same five columns, closer. */
@media (max-width: 1207px) {
  .finger {
    padding: 4px 4px;
  }
  .finger.opened {
    padding: 1px 1px;
  }
  .pick,
  .finger.pressure .pick,
  .finger.order .pick {
    font-size: 12px;
    padding: 2px 0;
  }
}
/* A small one, or held upright: five fingertips, and below them what the opened finger has. */
@media (max-width: 1170px) {
  .finger {
    display: contents;
  }
  .tip {
    border: 1.5px solid var(--hue);
    border-radius: 16px;
    background: var(--paper);
    padding: 4px 6px 6px;
    min-width: 0;
    overflow: hidden;
  }
  .tip .key {
    display: none;
  }
  .opened .tip {
    border-width: 4px;
    padding: 2px 4px 4px;
  }
  .has {
    display: none;
  }
  .opened .has {
    display: flex;
    gap: 8px;
    grid-row: 2;
    grid-column: 2 / -1;
    border: 4px solid var(--hue);
    border-radius: 16px;
    background: var(--paper);
    padding: 8px;
    overflow: hidden auto;
  }
  .head {
    font-size: 14px;
    padding: 0;
  }
  .pick,
  .finger.pressure .pick,
  .finger.order .pick {
    min-height: clamp(64px, 8vh, 96px);
    font-size: 16px;
    flex: none;
  }
  .picks,
  .finger.pressure .picks,
  .finger.order .picks {
    grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
    gap: 8px;
  }
  .digits {
    grid-template-columns: repeat(auto-fill, minmax(60px, 1fr));
    gap: 8px;
  }
  .digits .digit {
    min-height: clamp(60px, 8vh, 96px);
    font-size: 20px;
  }
}
@media (max-width: 900px) {
  .head {
    font-size: 12px;
  }
  .tip,
  .opened .tip {
    padding-inline: 1px;
  }
}
/* A phone: letters for names, the figure after the rest. */
@media (max-width: 640px) {
  .letter {
    display: inline;
    font-size: 20px;
  }
  .name,
  .tip .cue {
    position: absolute;
    clip-path: inset(50%);
    white-space: nowrap;
  }
  .tip,
  .opened .tip {
    position: relative;
    padding: 2px 0;
  }
  .meter {
    margin: 0 4px;
  }
  .tip.hot {
    border-color: var(--stop);
    border-style: dashed;
  }
  .opened .has {
    grid-column: 1 / -1;
    overflow: visible;
  }
  .own {
    display: block;
  }
  .picks,
  .finger.pressure .picks,
  .finger.order .picks {
    grid-template-columns: 1fr 1fr;
  }
  .digits {
    grid-template-columns: repeat(auto-fill, minmax(50px, 1fr));
  }
  .list {
    overflow: visible;
  }
}
</style>
