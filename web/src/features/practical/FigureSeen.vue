<script setup lang="ts">
import { useSession } from '@/features/session/useSession'
import TableFigure from '@/parts/TableFigure.vue'
import type { Capture } from './useCapture'
import type { Progress } from './useProgress'

/** The table from above, with what is worked on; a touch seen is written down where it was, with its depth and tool. */
defineProps<{ progress: Progress; capture: Capture; keyed: boolean }>()
const session = useSession()
function tool(e: Event, write: (tool: string) => void) {
  const select = e.target as HTMLSelectElement
  write(select.value)
  select.value = ''
}
</script>

<template>
  <div class="card fig">
    <TableFigure
      :position="progress.current?.step.position ?? progress.tiles[0]?.step.position"
      :open="progress.current?.span.open"
      :working="
        progress.current && {
          zones: progress.current.step.zones,
          side: progress.current.span.side,
          through: progress.current.step.sheet === 'through',
        }
      "
      touchable
      label="Table from above: touch a zone to write down a touch"
      @touch="capture.touch"
    />
    <div class="seen" role="group" aria-label="Depth seen">
      <span>depth seen <span v-if="keyed" class="key">⇧</span></span>
      <button
        v-for="d in 6"
        :key="d"
        class="digit"
        :title="`depth ${d - 1} seen`"
        @click="capture.depth(d - 1)"
      >
        {{ d - 1 }}
      </button>
    </div>
    <select class="tool" aria-label="Tool seen" @change="tool($event, capture.tool)">
      <option value="">tool seen</option>
      <option v-for="t in session.catalogue?.tools" :key="t.id" :value="t.id">{{ t.name }}</option>
    </select>
    <p v-if="progress.spared.length" class="caution">Spare: {{ progress.spared.join(', ') }}</p>
    <p v-if="progress.caution" class="caution">{{ progress.caution }}</p>
    <p class="law">{{ session.catalogue?.law }}</p>
  </div>
</template>

<style scoped src="./digit.css"></style>
<style scoped>
.fig {
  padding: 6px;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.fig :deep(svg) {
  flex: 1;
  min-height: 0;
}
.fig .caution {
  font-size: 13px;
  font-weight: 650;
  line-height: 1.2;
  color: var(--stop);
}
.fig .law {
  font-size: 12px;
  line-height: 1.2;
}
.seen {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 3px;
}
.seen > span {
  grid-column: 1 / -1;
  font-size: 13px;
  font-weight: 600;
}
.seen .digit {
  border-color: var(--ink);
}
.tool {
  min-height: 44px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  color: var(--ink);
}
</style>
