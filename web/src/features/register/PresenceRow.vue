<script setup lang="ts">
import { computed } from 'vue'
import { presenceWords, type Line, type Presence } from './useRegister'

/** One student at the door: three touches, and behind the name what is seldom wanted. */
const props = defineProps<{
  line: Line
  /** Minutes since the lab began, while it is on. */
  into?: number
  /** Length of the lab. */
  minutes: number
  locked: boolean
  picked: boolean
  opened: boolean
}>()
const emit = defineEmits<{
  pick: []
  open: []
  set: [presence: Presence | undefined, said: string]
}>()
const p = computed(() => props.line.presence)
const state = computed(() =>
  !p.value ? '' : p.value.kind === 'present' && p.value.lateMinutes > 0 ? 'late' : p.value.kind,
)
/** What a touch of late stands for: now, while the lab is on. */
const lateBy = computed(() => Math.max(1, props.into ?? 10))
function press(to: 'present' | 'late' | 'absent' | 'excused') {
  emit('pick')
  // Touched again it is taken back.
  if (state.value === to) return emit('set', undefined, 'not marked')
  if (to === 'late') emit('set', { kind: 'present', lateMinutes: lateBy.value }, `${lateBy.value} min late`)
  else emit('set', { kind: to, lateMinutes: 0 }, presenceWords({ kind: to, lateMinutes: 0 }))
}
const number = (e: Event) => {
  const text = (e.target as HTMLInputElement).value
  return text === '' ? undefined : Math.min(480, Math.max(0, Number(text)))
}
function setLate(e: Event) {
  const late = number(e) ?? 0
  emit('set', { ...(p.value as Presence), lateMinutes: late }, `${late} min late`)
}
function setLeft(left: number | undefined) {
  emit(
    'set',
    { kind: 'present', lateMinutes: p.value?.lateMinutes ?? 0, leftMinutes: left },
    left === undefined ? 'stayed' : `left after ${left} min`,
  )
}
</script>

<template>
  <li class="row" :class="[state, { picked }]">
    <button class="name" :aria-expanded="opened" @click="emit('open')">
      <span class="who">{{ line.name }}</span>
      <span class="soft said">{{ presenceWords(p) }}</span>
    </button>
    <div class="acts" role="group" :aria-label="line.name">
      <button
        class="act"
        :class="{ on: state === 'present' }"
        :aria-pressed="state === 'present'"
        :disabled="locked"
        @click="press('present')"
      >
        There
      </button>
      <button
        class="act"
        :class="{ on: state === 'late' }"
        :aria-pressed="state === 'late'"
        :disabled="locked"
        @click="press('late')"
      >
        Late<small v-if="state !== 'late' && into">{{ lateBy }} min</small>
      </button>
      <button
        class="act"
        :class="{ on: state === 'absent' }"
        :aria-pressed="state === 'absent'"
        :disabled="locked"
        @click="press('absent')"
      >
        Away
      </button>
    </div>
    <div v-if="opened" class="more">
      <button
        class="push"
        :class="{ main: state === 'excused' }"
        :disabled="locked"
        @click="press('excused')"
      >
        Excused
      </button>
      <template v-if="p?.kind === 'present'">
        <label class="field"
          >Late, min
          <input
            type="number"
            min="0"
            max="480"
            class="slim"
            :disabled="locked"
            :value="Math.round(p.lateMinutes)"
            @change="setLate"
        /></label>
        <label class="field"
          >Left after, min
          <input
            type="number"
            :min="Math.round(p.lateMinutes)"
            max="480"
            class="slim"
            :disabled="locked"
            :value="p.leftMinutes ?? ''"
            @change="setLeft(number($event))"
        /></label>
        <button
          v-if="into !== undefined && into < minutes"
          class="push"
          :disabled="locked"
          @click="setLeft(Math.max(into, p.lateMinutes))"
        >
          Leaves now
        </button>
      </template>
      <span v-if="line.markedBy" class="soft">Marked by {{ line.markedBy }}</span>
    </div>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 10px;
  align-items: center;
  padding: 6px 4px;
  border-bottom: 1px solid var(--line);
  scroll-margin: 80px;
}
.picked {
  box-shadow: inset 3px 0 0 var(--order);
}
.name {
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  min-height: 48px;
  padding: 2px 6px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  cursor: pointer;
  min-width: 0;
}
.who {
  font-weight: 600;
  font-size: 16px;
  overflow-wrap: anywhere;
}
.said {
  font-size: 14px;
}
.acts {
  display: flex;
  gap: 4px;
}
.act {
  min-width: 58px;
  min-height: 48px;
  border-radius: 14px;
  border: 1.5px solid var(--edge);
  background: var(--paper);
  color: var(--ink);
  font: 600 15px/1.1 var(--text);
  cursor: pointer;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
}
.act small {
  font-weight: 500;
  font-size: 12px;
}
.act.on {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--paper);
}
.late .act.on {
  background: linear-gradient(to right, var(--paper) 30%, var(--ink) 30%);
  border-color: var(--ink);
  color: var(--paper);
}
.absent .act.on {
  background: var(--paper);
  color: var(--ink);
  border: 3px double var(--ink);
}
.more {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding: 0 6px 6px;
}
input.slim {
  width: 76px;
}
</style>
