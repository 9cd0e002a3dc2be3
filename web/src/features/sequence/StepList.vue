<script setup lang="ts">
import { nextTick, ref } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { doseWords, word } from '@/parts/words'
import { useDrag, type Spot } from '@/parts/useDrag'

/** The steps of a sequence, block by block: picked, dragged, and worked by keyboard. */
const props = defineProps<{
  sequence: Schema['Sequence']
  /** The step under the cursor. */
  picked?: string
  /** Steps that an act is meant for; the picked one is among them. */
  chosen: ReadonlySet<string>
  flagged: ReadonlySet<string>
}>()
const emit = defineEmits<{
  pick: [id: string, how: 'one' | 'more' | 'upto']
  move: [id: string, spot: Spot]
  repeat: [block: string]
  order: [block: string]
  join: [first: string]
}>()
const session = useSession()
const list = ref<HTMLElement>()
const number = (id: string) => props.sequence.blocks.flatMap((b) => b.steps).findIndex((s) => s.id === id) + 1

const { dragged, spot, grab } = useDrag(
  (x, y) => {
    const row = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-step]')
    if (!row || !list.value?.contains(row)) return undefined
    const box = row.getBoundingClientRect()
    return { id: row.dataset.step!, where: y < box.top + box.height / 2 ? 'before' : 'after' }
  },
  (id, to) => emit('move', id, to),
)
function pick(id: string, e: MouseEvent | KeyboardEvent) {
  if (dragged.value) return
  emit('pick', id, e.shiftKey ? 'upto' : e.ctrlKey || e.metaKey ? 'more' : 'one')
}
/** Brings the row of a step into sight and, where the keyboard is in the list, the focus with it. */
async function show(id: string) {
  await nextTick()
  const row = list.value?.querySelector<HTMLElement>(`[data-step="${CSS.escape(id)}"]`)
  row?.scrollIntoView({ block: 'nearest' })
  if (list.value?.contains(document.activeElement)) row?.querySelector<HTMLElement>('.plain')?.focus()
}
defineExpose({ show, focus: (id: string) => focusOn(id) })
async function focusOn(id: string) {
  await nextTick()
  list.value?.querySelector<HTMLElement>(`[data-step="${CSS.escape(id)}"] .plain`)?.focus()
}
</script>

<template>
  <div ref="list" class="rows">
    <table class="lines">
      <thead>
        <tr>
          <th><span class="sr">Move</span></th>
          <th></th>
          <th>Step</th>
          <th>Side</th>
          <th>Hand</th>
          <th>Depth</th>
          <th>Dose</th>
          <th>Sheet</th>
        </tr>
      </thead>
      <tbody v-for="(b, i) in sequence.blocks" :key="b.id">
        <tr class="block">
          <td colspan="8">
            <strong>{{ b.name || 'Block' }}</strong>
            <button class="chip" :aria-pressed="b.repeat === 'each-side'" @click="emit('repeat', b.id)">
              {{ b.repeat === 'each-side' ? 'on each side' : 'once' }}
            </button>
            <button class="chip" :aria-pressed="b.order === 'in-order'" @click="emit('order', b.id)">
              {{ word(b.order) }}
            </button>
            <button v-if="i > 0 && b.steps[0]" class="chip" @click="emit('join', b.steps[0].id)">
              join to the block above
            </button>
          </td>
        </tr>
        <tr
          v-for="s in b.steps"
          :key="s.id"
          :data-step="s.id"
          :class="{
            on: s.id === picked,
            chosen: chosen.has(s.id) && chosen.size > 1,
            flagged: flagged.has(s.id),
            dragged: s.id === dragged,
            above: spot?.id === s.id && spot.where === 'before',
            below: spot?.id === s.id && spot.where === 'after',
          }"
          @click="pick(s.id, $event)"
        >
          <td class="grip" title="Drag" @pointerdown="grab(s.id, $event)" @click.stop>⠿</td>
          <td>{{ number(s.id) }}</td>
          <td>
            <button
              class="plain"
              :aria-current="s.id === picked ? 'true' : undefined"
              :aria-pressed="chosen.has(s.id)"
              @click.stop="pick(s.id, $event)"
            >
              <strong>{{ s.name }}</strong> <span class="soft">{{ s.zones.map(word).join(', ') }}</span>
            </button>
          </td>
          <td>{{ s.side }}</td>
          <td>{{ session.toolName(s.tool) }}</td>
          <td>{{ s.depth }}</td>
          <td>{{ doseWords(s.dose) }}</td>
          <td>{{ s.sheet }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.rows {
  overflow-y: auto;
  min-height: 0;
  flex: 1;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
}
.rows td,
.rows th {
  padding: 0 8px;
}
.rows td:nth-child(7) {
  white-space: nowrap;
}
tr[data-step] {
  cursor: pointer;
}
tr.block td {
  height: var(--target);
  font-size: 13.5px;
  color: var(--ink-soft);
}
.chip {
  margin-left: 8px;
  min-height: var(--target);
  min-width: var(--target);
  padding: 0 10px;
  border-radius: 9px;
  border: 0;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  background: none;
  color: var(--ink);
  font: 600 13px var(--text);
  cursor: pointer;
}
.grip {
  cursor: grab;
  touch-action: none;
  color: var(--ink-soft);
  width: 44px;
  text-align: center;
  font-size: 18px;
}
tr.flagged {
  background: var(--stop-wash);
}
tr.on,
tr.chosen {
  background: var(--order-wash);
}
tr.on td:first-child {
  box-shadow: inset 4px 0 0 var(--order);
}
tr.dragged {
  opacity: 0.45;
}
tr.above td {
  box-shadow: inset 0 3px 0 var(--order);
}
tr.below td {
  box-shadow: inset 0 -3px 0 var(--order);
}
.plain {
  background: none;
  border: 0;
  font: inherit;
  color: inherit;
  cursor: pointer;
  text-align: left;
  min-height: var(--target);
}
/* On a small desk the hand and the sheet are in the strip and in the form of the step. */
@media (max-width: 1100px) {
  .rows th:nth-child(5),
  .rows th:nth-child(8),
  .rows tr[data-step] td:nth-child(5),
  .rows tr[data-step] td:nth-child(8) {
    display: none;
  }
}
</style>
