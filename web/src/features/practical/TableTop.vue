<script setup lang="ts">
import { computed } from 'vue'
import { mmss } from '@/parts/words'
import { duesAt } from './dues'
import { useFloor, type Table } from './useFloor'

/** Whose table it is, what is due at the others, and how long it has gone on. */
const props = defineProps<{
  table: Table
  /** Seconds of work, without breaks. */
  worked: number
  /** Whether keys are on, and named. */
  keyed: boolean
}>()
defineEmits<{ log: []; handset: []; keys: [] }>()
const floor = useFloor()
const view = computed(() => props.table.view)
const limit = computed(() => view.value.limitSeconds ?? view.value.spans.at(-1)?.end ?? 0)
const others = computed(() =>
  floor.tables.value
    .filter((t) => t.id !== props.table.id)
    .map((t) => ({ table: t, due: duesAt(t.taps.progress.value.dues, t.taps.now.value)[0] })),
)
</script>

<template>
  <div class="top">
    <router-link class="push" to="/floor">Floor <span v-if="keyed" class="key">G</span></router-link>
    <h1>Table {{ view.tableNumber }}</h1>
    <strong class="who">{{ view.student.name }}</strong>
    <span class="soft about"
      >{{ view.partner ? `on ${view.partner.name}` : '' }} · {{ view.sequence.name }}</span
    >
    <nav class="others" aria-label="Other tables">
      <router-link
        v-for="o in others"
        :key="o.table.id"
        class="push other"
        :class="{ hot: o.due?.hot }"
        :to="`/grade/${o.table.id}`"
        :title="`${o.table.view.student.name}${o.due ? `: ${o.due.text}` : ''}`"
        :aria-label="`Table ${o.table.view.tableNumber}, ${o.table.view.student.name}${o.due ? `: ${o.due.text}` : ''}`"
        >{{ o.table.view.tableNumber }}<span v-if="o.due?.hot" aria-hidden="true">!</span></router-link
      >
    </nav>
    <button class="push" aria-haspopup="dialog" @click="$emit('log')">Log</button>
    <button class="push" aria-haspopup="dialog" @click="$emit('handset')">Handset</button>
    <button class="push keys" aria-haspopup="dialog" @click="$emit('keys')">
      Keys <span class="key">?</span>
    </button>
    <span class="clock" role="timer" :aria-label="`${mmss(worked)} of ${mmss(limit)}`">{{
      mmss(worked)
    }}</span>
    <span class="soft of">of {{ mmss(limit) }}</span>
  </div>
</template>

<style scoped>
.top {
  flex-wrap: nowrap;
}
.top > * {
  flex: none;
}
.others {
  flex: 1 1 auto;
  min-width: 112px;
  display: flex;
  gap: 8px;
  overflow-x: auto;
}
.others > :first-child {
  margin-left: auto;
}
.others > * {
  flex: none;
}
.about {
  flex: 0 999 auto;
  max-width: 24%;
  min-width: 0;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.who {
  font-size: 18px;
}
.other {
  font-weight: 700;
  min-width: 46px;
  padding: 0 10px;
  gap: 2px;
}
.other.hot {
  border-color: var(--stop);
  color: var(--stop);
}
.clock {
  font: 700 34px/1 var(--text);
}
@media (max-width: 1170px) {
  .top {
    flex-wrap: wrap;
    gap: 8px;
  }
  .about {
    display: none;
  }
}
/* A phone: who and the clock on one line, the other tables below it. */
@media (max-width: 640px) {
  .top {
    gap: 6px;
  }
  .key,
  .keys {
    display: none;
  }
  h1 {
    font-size: 18px;
  }
  .who {
    order: 1;
    flex: 1 1 90px;
    min-width: 0;
    font-size: 16px;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .clock {
    order: 2;
    font-size: 24px;
  }
  .of {
    order: 3;
    font-size: 13px;
  }
  .others,
  .others ~ .push {
    order: 4;
  }
  .others {
    flex: 1 1 150px;
  }
  .others > :first-child {
    margin-left: 0;
  }
}
</style>
