<script setup lang="ts">
import { computed } from 'vue'
import { usePhone } from '@/parts/usePhone'
import { clock } from './clock'
import type { DayView, Sitting } from './useDay'

/** A day by time and table: who shows, on whom, who grades. On a phone one after another. */
const props = defineProps<{ day: DayView }>()
const picked = defineModel<string>()
const phone = usePhone()
/** A practical of twenty minutes is as high as a finger needs, and its four lines. */
const A_MINUTE = 4.4
const placed = computed(() =>
  props.day.sittings
    .filter((s) => s.begins !== undefined)
    .sort((a, b) => (a.begins ?? 0) - (b.begins ?? 0) || (a.table ?? 0) - (b.table ?? 0)),
)
const open = computed(() => props.day.sittings.filter((s) => s.begins === undefined))
const from = computed(() => Math.min(props.day.from, ...placed.value.map((s) => s.begins ?? 1440)))
const until = computed(() =>
  Math.max(props.day.until, ...placed.value.map((s) => (s.begins ?? 0) + s.minutes)),
)
const tables = computed(() => Math.max(props.day.tables, ...placed.value.map((s) => s.table ?? 1)))
const times = computed(() => {
  const of = new Set([...props.day.starts, ...placed.value.map((s) => s.begins ?? 0)])
  return [...of].sort((a, b) => a - b)
})
const top = (minute: number) => `${(minute - from.value) * A_MINUTE}px`
const high = (minutes: number) => `${minutes * A_MINUTE - 3}px`
/** What is shown is said where it is not the same everywhere. */
const mixed = computed(() => new Set(props.day.sittings.map((s) => s.sequence)).size > 1)
const said = (s: Sitting) =>
  [
    s.client ? `on ${s.client.name}` : 'no client',
    s.graders.length ? s.graders.map((g) => g.name).join(' and ') : 'no grader',
  ] as const
const state = (s: Sitting) => ({
  picked: s.id === picked.value,
  begun: s.practical && !s.finished,
  finished: s.finished,
  locked: s.locked && !s.practical,
  lacks: !!s.lacks,
})
const stateWord = (s: Sitting) =>
  s.finished ? 'shown' : s.practical ? 'at the table' : s.locked ? 'locked' : ''
</script>

<template>
  <div v-if="phone" class="list">
    <template v-for="t in times" :key="t">
      <template v-for="s in placed.filter((x) => x.begins === t)" :key="s.id">
        <button class="sitting" :class="state(s)" :aria-pressed="s.id === picked" @click="picked = s.id">
          <span class="when">{{ clock(t) }}</span>
          <span class="of">
            <strong>{{ s.student.name }}</strong>
            <span>{{ s.sequenceName }}, table {{ s.table }}</span>
            <span :class="{ warn: !s.client }">{{ said(s)[0] }}</span>
            <span :class="{ warn: !s.graders.length }">{{ said(s)[1] }}</span>
            <em v-if="stateWord(s)">{{ stateWord(s) }}</em>
          </span>
        </button>
      </template>
    </template>
  </div>
  <div v-else class="scroll" tabindex="0" role="group" aria-label="The day by time and table">
    <div class="grid" :style="{ '--tables': tables, '--high': `${(until - from) * A_MINUTE}px` }">
      <div class="heads">
        <span />
        <strong v-for="t in tables" :key="t">Table {{ t }}</strong>
      </div>
      <div class="body">
        <div class="clock">
          <span v-for="t in times" :key="t" :style="{ top: top(t) }" :class="{ over: t < day.over }">{{
            clock(t)
          }}</span>
        </div>
        <div v-for="t in tables" :key="t" class="col">
          <div
            v-for="b in day.breaks"
            :key="b.from"
            class="break"
            :style="{ top: top(b.from), height: high(b.until - b.from) }"
          >
            <span v-if="t === 1" class="soft">break</span>
          </div>
          <button
            v-for="s in placed.filter((x) => x.table === t)"
            :key="s.id"
            class="sitting"
            :class="state(s)"
            :style="{ top: top(s.begins ?? 0), height: high(s.minutes) }"
            :aria-pressed="s.id === picked"
            :aria-label="`${clock(s.begins ?? 0)}, table ${t}: ${s.student.name}, ${s.sequenceName}, ${said(s).join(', ')}${s.lacks ? '. ' + s.lacks : ''}`"
            @click="picked = s.id"
          >
            <strong>{{ s.student.name }}</strong>
            <span v-if="mixed" class="what">{{ s.sequenceName }}</span>
            <span :class="{ warn: !s.client }">{{ said(s)[0] }}</span>
            <span class="soft" :class="{ warn: !s.graders.length }">{{ said(s)[1] }}</span>
            <em v-if="stateWord(s)">{{ stateWord(s) }}</em>
          </button>
        </div>
      </div>
    </div>
  </div>
  <div v-if="open.length" class="open">
    <h3>Without a place</h3>
    <button
      v-for="s in open"
      :key="s.id"
      class="sitting loose lacks"
      :class="{ picked: s.id === picked }"
      :aria-pressed="s.id === picked"
      @click="picked = s.id"
    >
      <strong>{{ s.student.name }}</strong> <span>{{ s.sequenceName }}</span>
    </button>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
  max-height: max(420px, calc(100dvh - 190px));
}
.grid {
  min-width: calc(56px + var(--tables) * 128px);
}
.heads,
.body {
  display: grid;
  grid-template-columns: 56px repeat(var(--tables), minmax(124px, 1fr));
  gap: 6px;
}
.heads {
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--paper);
  padding-bottom: 4px;
}
.body {
  height: var(--high);
}
.clock,
.col {
  position: relative;
}
.clock span {
  position: absolute;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
.clock .over {
  color: var(--ink-soft);
  font-weight: 400;
}
.col {
  border-left: 1px solid var(--line);
}
.break {
  position: absolute;
  inset-inline: 0;
  background: repeating-linear-gradient(45deg, transparent 0 7px, var(--line) 7px 8px);
}
.sitting {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 0;
  padding: 4px 8px;
  border: 1px solid var(--line);
  border-left: 4px solid var(--line);
  border-radius: 8px;
  background: var(--ground);
  color: var(--ink);
  font: 400 14px/1.25 var(--text);
  text-align: left;
  cursor: pointer;
  overflow: hidden;
}
.col .sitting {
  position: absolute;
  inset-inline: 3px 0;
}
.sitting.locked {
  border-left-color: var(--ink);
}
.sitting.begun {
  background: var(--mechanics-wash);
  border-color: var(--good);
}
.sitting.finished {
  background: none;
  border-style: dashed;
}
.sitting.lacks {
  border-color: var(--warn);
}
.sitting.picked {
  outline: 3px solid var(--ink);
  outline-offset: -2px;
}
.what {
  max-width: 100%;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.sitting em {
  font-size: 13px;
}
.warn {
  color: var(--warn);
  font-weight: 650;
}
.list {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.list .sitting {
  flex-direction: row;
  gap: 12px;
  min-height: 48px;
}
.list .when {
  font-weight: 650;
  font-variant-numeric: tabular-nums;
}
.list .of {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
}
.open {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.open h3 {
  width: 100%;
}
.loose {
  min-height: 48px;
  justify-content: center;
}
</style>
