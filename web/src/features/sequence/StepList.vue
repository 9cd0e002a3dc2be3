<script setup lang="ts">
import { computed, nextTick, provide, ref } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { word } from '@/parts/words'
import { useDrag, type Spot } from '@/parts/useDrag'
import StepRow from './StepRow.vue'
import { NUMBERS } from './numbers'

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
  /** The head of a block was touched. */
  block: [id: string]
}>()
const session = useSession()
const list = ref<HTMLElement>()
const numbers = computed(
  () => new Map(props.sequence.blocks.flatMap((b) => b.steps).map((s, i) => [s.id, i + 1])),
)
provide(NUMBERS, numbers)
/** How a block goes, beside its name. */
const said = (b: Schema['Block']) =>
  [
    b.repeat === 'each-side' ? 'on each side' : 'once',
    word(b.order),
    ...(b.drape ? [session.catalogue?.drapes?.find((m) => m.id === b.drape)?.name ?? b.drape] : []),
  ].join(', ')

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
  // Wherever in the row it was picked, the keys go on from there.
  void focusOn(id)
}
/** Brings the row of a step into sight and, where the keyboard is in the list, the focus with it. */
async function show(id: string) {
  const here = list.value?.contains(document.activeElement)
  await nextTick()
  const row = list.value?.querySelector<HTMLElement>(`[data-step="${CSS.escape(id)}"]`)
  row?.scrollIntoView({ block: 'nearest' })
  if (here) row?.querySelector<HTMLElement>('.plain')?.focus()
}
defineExpose({ show, focus: (id: string) => focusOn(id) })
async function focusOn(id: string) {
  await nextTick()
  list.value?.querySelector<HTMLElement>(`[data-step="${CSS.escape(id)}"] .plain`)?.focus()
}
</script>

<template>
  <div ref="list" class="rows">
    <!-- Rows are grids, so that those out of sight are neither laid out nor painted; the roles keep it a table to hear. -->
    <table class="lines" role="table">
      <thead role="rowgroup">
        <tr class="line" role="row">
          <th role="columnheader"><span class="sr">Move</span></th>
          <th role="columnheader"><span class="sr">Number</span></th>
          <th role="columnheader">Step</th>
          <th role="columnheader" class="side">Side</th>
          <th role="columnheader" class="more">Hand</th>
          <th role="columnheader">Depth</th>
          <th role="columnheader">Dose</th>
          <th role="columnheader" class="more">Sheet</th>
        </tr>
      </thead>
      <tbody v-for="b in sequence.blocks" :key="b.id" role="rowgroup">
        <tr class="block" role="row" title="Change this block" @click="emit('block', b.id)">
          <td role="cell">
            <strong>{{ b.name || 'Block' }}</strong> {{ said(b) }}
          </td>
        </tr>
        <StepRow
          v-for="s in b.steps"
          :key="s.id"
          class="line"
          role="row"
          :step="s"
          :picked="s.id === picked"
          :chosen="chosen.has(s.id)"
          :among="chosen.size > 1 && chosen.has(s.id)"
          :flagged="flagged.has(s.id)"
          :dragged="s.id === dragged"
          :spot="spot?.id === s.id ? spot.where : undefined"
          @pick="pick(s.id, $event)"
          @grab="grab(s.id, $event)"
        />
      </tbody>
    </table>
  </div>
</template>

<style scoped>
/* A head of a block is a slim line to read: what it says is changed with any of its steps. Strict: what happens to a row is nobody's business outside of the list. */
.rows {
  overflow-y: auto;
  min-height: 0;
  flex: 1;
  contain: strict;
  container: steps / inline-size;
}
.lines,
thead,
tbody,
.block,
.block td {
  display: block;
}
thead {
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
}
.line {
  display: grid;
  grid-template-columns: 40px 30px minmax(0, 1fr) 68px 104px 46px 84px 76px;
}
.line[data-step],
.block {
  content-visibility: auto;
  contain-intrinsic-height: auto var(--target);
}
.block {
  contain-intrinsic-height: auto 24px;
}
.rows th {
  padding: 0 6px;
}
.block td {
  height: auto;
  padding: 3px 8px 1px;
  line-height: 17px;
  cursor: pointer;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 13.5px;
  color: var(--ink-soft);
}
.block strong {
  color: var(--ink);
  margin-right: 6px;
}
@container steps (max-width: 700px) {
  .line {
    grid-template-columns: 36px 30px minmax(0, 1fr) 54px 44px 104px;
  }
  .more {
    display: none;
  }
}
@container steps (max-width: 420px) {
  .line {
    grid-template-columns: 34px 28px minmax(0, 1fr) 40px 74px;
  }
  .side {
    display: none;
  }
}
</style>
