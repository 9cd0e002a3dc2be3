<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { FINGERS, hue, wash } from '@/parts/criteria'
import { day, points } from '@/parts/words'

/** One second look: what was asked, and what it came to; both stay. */
const props = defineProps<{ look: Schema['SecondLookView'] }>()
const STATE: Record<Schema['SecondLookView']['state'], string> = {
  waits: 'waits for the lead',
  withdrawn: 'taken back',
  stands: 'it stands',
  changed: 'changed',
}
/** Marks before and after: of what was asked about and of what changed. */
const marks = computed(() =>
  FINGERS.flatMap((f) => {
    const was = props.look.before[f.id]
    const now = props.look.after?.[f.id]
    const about = props.look.criterion === undefined || props.look.criterion === null
    if (!about && props.look.criterion !== f.id && (now === undefined || now === was)) return []
    return [{ ...f, was, now: props.look.after ? now : undefined }]
  }),
)
</script>

<template>
  <article class="look" :aria-label="`Second look: ${STATE[look.state]}`">
    <p>
      Asked on {{ day(look.askedAt) }} by {{ look.student }}: “{{ look.reason }}”
      <span class="state" :class="look.state">{{ STATE[look.state] }}</span>
    </p>
    <ul>
      <li v-for="m in marks" :key="m.id" :style="{ '--hue': hue(m.id), '--wash': wash(m.id) }">
        <span class="letter" aria-hidden="true">{{ m.letter }}</span> {{ m.name }} {{ points(m.was)
        }}<template v-if="m.now !== undefined && m.now !== m.was">
          → <strong>{{ points(m.now) }}</strong></template
        >
      </li>
    </ul>
    <p v-if="look.decision">
      {{ look.decidedBy }} on {{ day(look.decidedAt!) }}: “{{ look.decision }}”
      <span v-if="look.own" class="soft">Who decided had graded it.</span>
    </p>
  </article>
</template>

<style scoped>
.look + .look {
  border-top: 1px solid var(--line);
}
p {
  margin: 6px 0;
  overflow-wrap: anywhere;
}
.state {
  display: inline-block;
  padding: 1px 10px;
  border-radius: 999px;
  border: 1.5px solid var(--edge);
  font-weight: 600;
}
.state.waits {
  border-color: var(--stop);
}
.state.changed {
  border-color: var(--good);
}
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  margin: 6px 0;
  padding: 0;
}
.letter {
  display: inline-grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border-radius: 999px;
  background: var(--wash);
  color: var(--hue);
  font-weight: 700;
}
</style>
