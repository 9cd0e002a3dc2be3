<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { useSession } from '@/features/session/useSession'
import { useDrag } from '@/parts/useDrag'
import LessonMark from './LessonMark.vue'
import { AIMS, byWeek, minutesOf, type Aim, type Curriculum } from './term'

/** Regions × weeks: one cell is what a region does in a week. Arrows walk, a letter adds, Alt with an arrow moves, Delete takes out. */
const props = defineProps<{
  curriculum: Curriculum
  regions: readonly string[]
  /** Week of today, from 1; 0 before the term. */
  now: number
  cell?: { region: string; week: number }
  lesson?: string
  /** Ids of lessons and weeks that findings speak of. */
  flagged: ReadonlySet<string>
}>()
const emit = defineEmits<{
  pick: [region: string, week: number]
  week: [week: number]
  add: [region: string, week: number, aim: Aim]
  shift: [lesson: string, week: number]
  remove: [region: string, week: number]
}>()
const session = useSession()
const weeks = computed(() => Array.from({ length: props.curriculum.weeks }, (_, i) => i + 1))
const rows = computed(() => props.regions.map((r) => ({ region: r, weeks: byWeek(props.curriculum, r) })))
const capacity = computed(() => props.curriculum.labsAWeek * props.curriculum.labMinutes)
const table = ref<HTMLElement>()

const share = (week: number, lab: number) =>
  Math.min(100, (100 * minutesOf(props.curriculum, week, lab)) / props.curriculum.labMinutes)
const over = (week: number, lab: number) =>
  minutesOf(props.curriculum, week, lab) > props.curriculum.labMinutes + 1e-6
function spoken(region: string, week: number) {
  const lessons = byWeek(props.curriculum, region).get(week) ?? []
  const what = lessons.map((l) => `${l.aim.replace('-', ' ')} ${l.minutes} min`).join(', ')
  return `${session.regionName(region)}, week ${week}: ${what || 'nothing'}`
}
const { dragged, spot, grab } = useDrag(
  (x, y) => {
    const cell = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-week]')
    return cell?.dataset.week ? { id: cell.dataset.week, where: 'after' } : undefined
  },
  (id, to) => emit('shift', id, Number(to.id)),
)
function pick(region: string, week: number) {
  if (!dragged.value) emit('pick', region, week)
}
async function focus(row: number, week: number) {
  const region = props.regions[row]
  if (region === undefined || week < 1 || week > props.curriculum.weeks) return
  emit('pick', region, week)
  await nextTick()
  table.value?.querySelector<HTMLElement>(`[data-cell="${row}/${week}"]`)?.focus()
}
function key(e: KeyboardEvent, row: number, region: string, week: number) {
  const by = { ArrowRight: 1, ArrowLeft: -1 }[e.key]
  if (e.ctrlKey || e.metaKey) return
  if (by && e.altKey) {
    const lesson = byWeek(props.curriculum, region).get(week)?.at(-1)
    if (lesson) {
      emit('shift', lesson.id, week + by)
      void focus(row, week + by)
    }
  } else if (by) void focus(row, week + by)
  else if (e.key === 'ArrowDown') void focus(row + 1, week)
  else if (e.key === 'ArrowUp') void focus(row - 1, week)
  else if (e.key === 'Delete') emit('remove', region, week)
  else {
    const aim = AIMS.find((a) => a.letter === e.key.toUpperCase())
    if (!aim || e.altKey) return
    emit('add', region, week, aim.id)
  }
  e.preventDefault()
}
// On a small desk the weeks scroll: the one that is now comes into view.
onMounted(() =>
  table.value?.querySelector('thead .now')?.scrollIntoView?.({ inline: 'center', block: 'nearest' }),
)
const tabbable = (row: number, week: number) =>
  props.cell ? props.cell.region === props.regions[row] && props.cell.week === week : row === 0 && week === 1
</script>

<template>
  <div class="scroll">
    <table ref="table" aria-label="Regions by weeks">
      <thead>
        <tr>
          <th scope="col"><span class="soft">Week</span></th>
          <th
            v-for="w in weeks"
            :key="w"
            scope="col"
            :class="{ now: w === now, off: curriculum.off.includes(w) }"
          >
            <button
              class="week"
              :data-week="w"
              :aria-label="`Week ${w}${w === now ? ', now' : ''}${curriculum.off.includes(w) ? ', off' : ''}: ${minutesOf(curriculum, w)} of ${capacity} minutes`"
              @click="emit('week', w)"
            >
              {{ w }}
              <span class="labs"
                ><span v-for="lab in curriculum.labsAWeek" :key="lab" class="room"
                  ><span :class="{ over: over(w, lab) }" :style="{ width: share(w, lab) + '%' }" /></span
              ></span>
            </button>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, row) in rows" :key="r.region">
          <th scope="row">{{ session.regionName(r.region) }}</th>
          <td v-for="w in weeks" :key="w" :class="{ now: w === now, off: curriculum.off.includes(w) }">
            <button
              class="cell"
              :class="{
                here: cell?.region === r.region && cell.week === w,
                spot: dragged && spot?.id === String(w),
              }"
              :data-week="w"
              :data-cell="`${row}/${w}`"
              :aria-label="spoken(r.region, w)"
              :aria-pressed="cell?.region === r.region && cell.week === w"
              :tabindex="tabbable(row, w) ? 0 : -1"
              @click="pick(r.region, w)"
              @keydown="key($event, row, r.region, w)"
            >
              <LessonMark
                v-for="l in r.weeks.get(w)"
                :key="l.id"
                :aim="l.aim"
                :picked="lesson === l.id"
                :flagged="flagged.has(l.id)"
                @pointerdown="grab(l.id, $event)"
              />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
  min-height: 0;
}
table {
  border-collapse: collapse;
}
th {
  padding: 0;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
}
tbody th,
thead th:first-child {
  text-align: left;
  font: 600 14px/1.15 var(--text);
  width: 118px;
  min-width: 118px;
  padding-right: 6px;
  position: sticky;
  left: 0;
  background: var(--paper);
  z-index: 1;
}
.week {
  width: 100%;
  min-width: 45px;
  padding: 0;
  min-height: 48px;
  background: none;
  border: 0;
  color: var(--ink);
  font: 700 15px/1.1 var(--text);
  cursor: pointer;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 4px;
}
.labs {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.room {
  display: block;
  width: 34px;
  height: 5px;
  border-radius: 3px;
  background: var(--mechanics-wash);
  overflow: hidden;
}
.room span {
  display: block;
  height: 100%;
  background: var(--good);
}
.room .over {
  background: var(--stop);
}
td {
  border-top: 1px solid var(--line);
  padding: 0;
}
.now {
  background: var(--order-wash);
}
.off {
  background: repeating-linear-gradient(135deg, transparent 0 5px, var(--line) 5px 7px);
}
.cell {
  min-width: 45px;
  min-height: 46px;
  width: 100%;
  height: 100%;
  background: none;
  border: 0;
  border-radius: 10px;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 3px;
  padding: 3px 2px;
  touch-action: none;
}
.cell.here {
  box-shadow: inset 0 0 0 2px var(--ink);
}
.cell.spot {
  background: var(--draping-wash);
}
</style>
