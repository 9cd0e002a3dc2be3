<script setup lang="ts">
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { doseWords, word } from '@/parts/words'
import StepNumber from './StepNumber.vue'

/** One step in the list. A component of its own, so that an act draws only the rows it changed. */
defineProps<{
  step: Schema['Step']
  /** The cursor is here. */
  picked: boolean
  /** An act is meant for this step. */
  chosen: boolean
  /** It is chosen together with others. */
  among: boolean
  flagged: boolean
  dragged: boolean
  /** A dragged step would land on this side of it. */
  spot?: 'before' | 'after'
}>()
defineEmits<{ pick: [e: MouseEvent]; grab: [e: PointerEvent] }>()
const session = useSession()
</script>

<template>
  <tr
    :data-step="step.id"
    :class="{
      on: picked,
      chosen: among,
      flagged,
      dragged,
      above: spot === 'before',
      below: spot === 'after',
    }"
    @click="$emit('pick', $event)"
  >
    <td role="cell" class="grip" title="Drag" @pointerdown="$emit('grab', $event)" @click.stop>⠿</td>
    <StepNumber :id="step.id" />
    <td role="cell" class="name">
      <button
        class="plain"
        :aria-current="picked ? 'true' : undefined"
        :aria-pressed="chosen"
        @click.stop="$emit('pick', $event)"
      >
        <strong>{{ step.name }}</strong> <span class="soft">{{ step.zones.map(word).join(', ') }}</span>
      </button>
    </td>
    <td role="cell" class="side">{{ step.side }}</td>
    <td role="cell" class="more">{{ session.handName(step) }}</td>
    <td role="cell">{{ step.depth }}</td>
    <td role="cell" class="dose">{{ doseWords(step.dose) }}</td>
    <td role="cell" class="more">{{ step.sheet }}</td>
  </tr>
</template>

<style scoped>
tr {
  cursor: pointer;
}
td {
  display: flex;
  align-items: center;
  padding: 0 6px;
}
.dose {
  white-space: nowrap;
}
.grip {
  user-select: none;
  cursor: grab;
  touch-action: none;
  color: var(--ink-soft);
  justify-content: center;
  font-size: 18px;
}
.flagged {
  background: var(--stop-wash);
}
.on,
.chosen {
  background: var(--order-wash);
}
.on .grip {
  box-shadow: inset 4px 0 0 var(--order);
}
.dragged {
  opacity: 0.45;
}
.above td {
  box-shadow: inset 0 3px 0 var(--order);
}
.below td {
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
  max-height: 46px;
  overflow: hidden;
  line-height: 1.2;
}
.name {
  overflow: hidden;
}
/* In a narrow list the hand and the sheet are in the strip and in the form of the step, and then the side as well. */
@container steps (max-width: 700px) {
  .more {
    display: none;
  }
}
@container steps (max-width: 420px) {
  .dose {
    white-space: normal;
    line-height: 1.15;
  }
  .side,
  .name .soft {
    display: none;
  }
}
</style>
