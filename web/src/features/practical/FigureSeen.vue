<script setup lang="ts">
import { ref, watch } from 'vue'
import { useSession } from '@/features/session/useSession'
import AddField from '@/parts/AddField.vue'
import TableFigure from '@/parts/TableFigure.vue'
import type { Capture } from './useCapture'
import type { Progress } from './useProgress'

/** The table from above, with what is worked on; a touch seen is written down where it was, with its depth and tool. */
const props = defineProps<{ progress: Progress; capture: Capture; keyed: boolean }>()
const session = useSession()
/** Whether what is worked is shown large; then a touch may say which structure it was. */
const close = ref(false)
/** Several that lie where the touch was seen. */
const which = ref<string[]>([])
watch([close, () => props.progress.current?.step.id], () => (which.value = []))
function touch(zone: string, half: string, under: string[]) {
  props.capture.touch(zone, half, under)
  which.value = under.length > 1 ? under : []
}
function choose(structure: string) {
  props.capture.structure(structure)
  which.value = []
}
</script>

<template>
  <div class="card fig">
    <div class="picture">
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
        :close-up="close"
        label="Table from above: touch a zone to write down a touch"
        @touch="touch"
      />
      <button class="push closer" :aria-pressed="close" :disabled="!progress.current" @click="close = !close">
        {{ close ? 'Whole' : 'Closer' }}
      </button>
    </div>
    <div v-if="which.length" class="seen which" role="group" aria-label="Which one was touched">
      <span>which one?</span>
      <button v-for="s in which" :key="s" class="push" @click="choose(s)">
        {{ session.structureName(s) }}
      </button>
      <button class="push unsure" @click="which = []">cannot tell</button>
    </div>
    <div v-else class="seen" role="group" aria-label="Depth seen">
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
    <AddField
      v-if="!which.length"
      class="tool"
      label="Tool seen"
      first="tool seen"
      :offered="session.catalogue?.tools ?? []"
      @add="capture.tool"
    />
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
.picture {
  flex: 1;
  min-height: 0;
  position: relative;
}
.picture :deep(svg) {
  position: absolute;
  inset: 0;
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
.closer {
  position: absolute;
  right: 0;
  bottom: 0;
  padding: 4px 8px;
  font-size: 13px;
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
.seen.which {
  display: flex;
  flex-wrap: wrap;
}
.which > span {
  flex-basis: 100%;
}
.which .push {
  flex: 1 0 auto;
  padding: 2px 6px;
  border-radius: 10px;
  font-size: 13px;
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
