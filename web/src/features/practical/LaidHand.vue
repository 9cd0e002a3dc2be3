<script setup lang="ts">
import { computed, ref } from 'vue'
import { FINGERS, hue, type Criterion } from '@/parts/criteria'
import { BACK, cellAt, cellsOf, columnAt, reachOf, type Column } from './laidHand'
import type { Capture } from './useCapture'
import { useLay } from './useLay'
import type { Progress } from './useProgress'

/** The five fingers under the grader's own: two taps write down what was seen, while the eyes stay on the hands at work. */
const props = defineProps<{ progress: Progress; capture: Capture }>()

const area = ref<HTMLElement>()
/** The finger that was tapped, while what it has is under the hand. */
const opened = ref<Criterion>()
const written = ref('')
const { hand, columns, height, close, press, lift, lost } = useLay(area, {
  down(at, id) {
    if (!holds(cellAt(cells.value, at)?.place)) return
    holder = id
    props.capture.down()
  },
  up(id) {
    if (id !== holder) return
    holder = undefined
    props.capture.up()
  },
  // What lies there now: of two fingers that run over into one another, the first has changed what the second means.
  tap(at) {
    if (opened.value) pick(cellAt(cells.value, at)?.place)
    else open(columnAt(columns.value, at)?.id)
  },
})
/** The touch that a hold is pressed with. */
let holder: number | undefined

const nameOf = (id: Criterion) => FINGERS.find((f) => f.id === id)!.name
const letterOf = (id: Criterion) => FINGERS.find((f) => f.id === id)!.letter
const reach = computed(() =>
  opened.value && hand.value
    ? reachOf(opened.value, props.progress.picks[opened.value], hand.value.pressure.x < hand.value.draping.x)
    : [],
)
const cells = computed(() => cellsOf(columns.value, reach.value.length, height.value))
const holds = (place: number | undefined) => place !== undefined && reach.value[place]?.id === 'hold'

function open(finger: Criterion | undefined) {
  opened.value = finger
  written.value = finger ? nameOf(finger) : ''
}
function pick(place: number | undefined) {
  if (!opened.value) return
  const finger = nameOf(opened.value)
  const picked = place === undefined ? undefined : reach.value[place]
  opened.value = undefined
  if (!picked) return
  props.capture.pick(picked)
  written.value = `${finger}: ${picked.label}`
  // Felt, not looked for; not every device can.
  navigator.vibrate?.(20)
}
function wordOf(place: number) {
  if (holds(place) && props.capture.holding) return 'Let go'
  return reach.value[place]?.label ?? 'Back'
}
const drawn = (c: Column) => ({ left: `${c.home.x - c.left - c.drawn / 2 + 3}px`, width: `${c.drawn - 6}px` })
/** By key or by an aid that clicks; a finger or a mouse was heard of already. A hold begins with one and ends with the next. */
function clicked(e: MouseEvent, what: Criterion | number) {
  if (e.detail > 0) return
  if (typeof what === 'string') return open(what)
  if (holds(what)) {
    props.capture.down()
    props.capture.up()
  }
  pick(what)
}
</script>

<template>
  <section
    ref="area"
    class="laid"
    aria-label="Laid hand"
    :style="opened && { '--hue': hue(opened) }"
    @pointerdown="press"
    @pointerup="lift"
    @pointercancel="lost"
    @contextmenu.prevent
  >
    <p v-if="!hand" class="ask">
      <strong>Lay five fingers of one hand here, all at once.</strong>
      Each gets a column of its own under it; the nearest finger counts, so nothing need be aimed at.
    </p>
    <template v-else-if="!opened">
      <button
        v-for="c in columns"
        :key="c.id"
        class="under"
        :data-under="c.id"
        :style="{ left: `${c.left}px`, width: `${c.width}px`, top: 0, height: '100%', '--hue': hue(c.id) }"
        @click="clicked($event, c.id)"
      >
        <span class="finger" :style="{ ...drawn(c), top: `${c.home.y - 48}px` }">
          <b aria-hidden="true">{{ letterOf(c.id) }}</b>
          {{ nameOf(c.id) }}
          <small :class="{ hot: progress.cues[c.id].hot }">{{ progress.cues[c.id].text }}</small>
        </span>
      </button>
    </template>
    <template v-else>
      <!-- Nothing is there to press where a finger has nothing; a tap leads back from there as well. -->
      <component
        :is="reach[c.place] || c.place === BACK ? 'button' : 'div'"
        v-for="c in cells"
        :key="c.place"
        class="under"
        :data-under="c.place"
        :style="{
          left: `${c.column.left}px`,
          width: `${c.column.width}px`,
          top: `${c.top}px`,
          height: `${c.height}px`,
        }"
        @click="clicked($event, c.place)"
      >
        <span
          v-if="reach[c.place] || c.place === BACK"
          class="cell"
          :class="{
            strong: reach[c.place]?.main,
            back: c.place === BACK,
            digit: reach[c.place]?.kind === 'report',
          }"
          :style="{ ...drawn(c.column), top: `${c.row - c.top}px`, height: `${c.high}px` }"
        >
          {{ wordOf(c.place) }}
          <small v-if="reach[c.place] && progress.count(reach[c.place]!)">{{
            progress.count(reach[c.place]!)
          }}</small>
        </span>
      </component>
    </template>
    <p class="said" role="status">
      {{ close ? 'The fingers were too close together: spread them, and lay the hand again.' : written }}
    </p>
    <p v-if="hand" class="soft now">
      <template v-if="progress.current">on: {{ progress.current.step.name }} · </template>next:
      {{ progress.tiles[progress.chosen]?.step.name }}
    </p>
  </section>
</template>

<style scoped>
.laid {
  grid-column: 2 / -1;
  position: relative;
  min-height: 0;
  border: 1.5px solid var(--line);
  border-radius: var(--round);
  background: var(--paper);
  overflow: hidden;
  touch-action: none;
  user-select: none;
}
.ask {
  max-width: 420px;
  margin: 18vh auto 0;
  text-align: center;
  font-size: 18px;
  pointer-events: none;
}
.ask strong {
  display: block;
  font-size: 22px;
  margin-bottom: 8px;
}
.under {
  position: absolute;
  container-type: inline-size;
  border: 0;
  background: none;
  color: var(--ink);
  cursor: pointer;
}
.finger,
.cell {
  position: absolute;
  display: flex;
  flex-direction: column;
  align-items: center;
  font: 600 15px/1.15 var(--text);
}
.finger {
  gap: 2px;
  /* The longest name, in the column of a finger on a narrow tablet. */
  font: 700 clamp(12px, 13cqw, 15px) var(--head);
  color: var(--hue);
}
.finger b {
  display: grid;
  place-items: center;
  width: min(96px, 100%);
  aspect-ratio: 1;
  border-radius: 50%;
  background: var(--hue);
  color: var(--on-hue);
  font: 700 34px var(--head);
}
.finger small {
  font: 500 14px var(--text);
  color: var(--ink-soft);
}
.finger small.hot {
  color: var(--stop);
  font-weight: 700;
}
.cell {
  justify-content: center;
  border: 1.5px solid var(--hue);
  border-radius: 14px;
  background: var(--paper);
}
.cell.digit {
  font-size: 24px;
  font-weight: 700;
}
.cell.strong {
  background: var(--hue);
  color: var(--on-hue);
}
.cell.back {
  color: var(--ink-soft);
  border: 1.5px dashed var(--line);
}
.said,
.now {
  position: absolute;
  inset: auto 16px 10px auto;
  pointer-events: none;
}
.said {
  bottom: 34px;
  font-weight: 700;
  font-size: 18px;
}
@media (max-width: 1170px) {
  .laid {
    grid-row: 1 / 3;
  }
}
@media (max-width: 640px) {
  .laid {
    grid-row: 1;
    grid-column: 1 / -1;
    height: 420px;
  }
}
</style>
