<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import Strip from '@/parts/Strip.vue'
import type { StripModel } from '@/parts/strip'
import type { Picture } from '@/parts/picture'
import TablePicture from '@/parts/TablePicture.vue'
import { mmss, word } from '@/parts/words'
import type { Spot } from '@/parts/useDrag'

/** The whole sequence in time, what the step under the cursor looks like, and what it is in one line. */
const props = defineProps<{
  strip: StripModel
  seen?: Picture
  step?: Schema['Step']
  number: number
  span?: Schema['SpanView']
  /** The step that the figure shows. */
  looked?: string
  cautions: string[]
}>()
defineEmits<{ pick: [key: string]; move: [id: string, spot: Spot] }>()
const hovered = defineModel<number>('hovered')
const session = useSession()
const line = computed(() => {
  const { step, span } = props
  if (!step || !span) return ''
  return [
    `${mmss(span.start)}–${mmss(span.end)}`,
    span.side,
    session.handName(step),
    step.zones.map(session.zoneName).join(', '),
    ...step.say.map((x) => `“${x.words ?? word(x.kind)}”`),
  ].join(' · ')
})
</script>

<template>
  <div class="upper">
    <div class="card fig">
      <TablePicture v-if="seen" :picture="seen" :label="`The table from above, ${looked ?? ''}`" />
    </div>
    <div class="right">
      <Strip
        :model="strip"
        :picked="span ? `${span.step}/${span.side}` : undefined"
        :playhead="hovered ?? span?.start"
        movable
        @hover="hovered = $event"
        @pick="$emit('pick', $event)"
        @move="(id, spot) => $emit('move', id, spot)"
      />
      <p v-if="step && span" class="now" :title="line">
        <strong>{{ number }} {{ step.name }}</strong>
        <span v-if="cautions.length" class="caution">&ensp;⚠ {{ cautions[0] }}</span>
        <span class="soft">&ensp;{{ line }}</span>
      </p>
    </div>
  </div>
</template>

<style scoped>
.upper {
  display: grid;
  grid-template-columns: 124px minmax(0, 1fr);
  gap: 12px;
}
.fig {
  padding: 6px;
  height: 234px;
}
.right {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
}
.now {
  font-size: 14px;
  min-height: 22px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.caution {
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 640px) {
  .upper {
    grid-template-columns: minmax(0, 1fr);
    grid-auto-rows: max-content;
    overflow-y: auto;
  }
  .now {
    white-space: normal;
  }
}
</style>
