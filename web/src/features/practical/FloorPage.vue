<script setup lang="ts">
import { computed, onMounted, ref, shallowReactive } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import OfflineNote from '@/parts/OfflineNote.vue'
import Standing from '@/parts/Standing.vue'
import type { Criterion } from '@/parts/criteria'
import { usePhone } from '@/parts/usePhone'
import FloorCard from './FloorCard.vue'
import FloorFingers from './FloorFingers.vue'
import { useFingerKeys } from './useFingerKeys'
import { useFloor } from './useFloor'

/** All tables at once. The floor has the grader's eyes on none: what is judged by time is judged at an opened table only. */
const session = useSession()
const router = useRouter()
const phone = usePhone()
const floor = useFloor()
const { tables, problem, loaded, waiting } = floor
const chosen = ref(0)
const at = computed(() => Math.min(chosen.value, tables.value.length - 1))
/** The finger that is open, at all tables alike: looks at one thing go round the room. */
const opened = ref<Criterion>('mechanics')
const cards = shallowReactive(new Map<string, InstanceType<typeof FloorCard>>())
/** With more tables than this the five fingers are once, below all of them, for the one that is chosen. */
const ROOMY = 3
const roomy = computed(() => tables.value.length <= ROOMY)
const card = computed(() => cards.get(tables.value[at.value]?.id ?? ''))

const { enabled } = useFingerKeys({
  finger: (id) => (opened.value = id),
  key(key) {
    const table = tables.value[at.value]
    const what = card.value?.progress.pickAt(opened.value, key)
    if (/^[1-9]$/.test(key)) {
      // A digit chooses, and changes nothing: at a table it would be what the client says.
      const to = tables.value.findIndex((t) => t.view.tableNumber === Number(key))
      if (to >= 0) chosen.value = to
    } else if (key === 'arrowright' || key === 'arrowdown')
      chosen.value = Math.min(tables.value.length - 1, at.value + 1)
    else if (key === 'arrowleft' || key === 'arrowup') chosen.value = Math.max(0, at.value - 1)
    else if (key === 'enter' && table && !document.activeElement?.closest('a, button'))
      void router.push(`/grade/${table.id}`)
    else if (key === 'u' && table) void table.taps.undo()
    else if (key === 'b' && card.value) card.value.capture.rest()
    else if (key === 'x' && table) void table.taps.tap('safety-stop')
    else if (what && card.value) card.value.capture.pick(what)
    else return false
    return true
  },
})
onMounted(async () => {
  await floor.load()
  await floor.watch(undefined)
})
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>The floor</h1>
      <span class="soft">{{ tables.length }} {{ tables.length === 1 ? 'table' : 'tables' }}</span>
      <span class="grow" />
      <span v-if="waiting" class="wait" role="status"
        >{{ waiting }} {{ waiting === 1 ? 'tap' : 'taps' }} not stored yet: kept on this device</span
      >
      <span v-else-if="tables.length" class="good" role="status">everything stored</span>
      <router-link class="push" to="/grade">Set up</router-link>
    </div>
    <OfflineNote />
    <Standing
      v-if="tables.length === 0"
      :problem="problem as never"
      :loading="!loaded && !problem"
      @again="floor.load"
    />
    <p v-if="loaded && tables.length === 0" class="card soft">
      Nobody is at a table of yours now; <router-link to="/grade">set a practical up</router-link>.
    </p>
    <div class="floor">
      <FloorCard
        v-for="(t, i) in tables"
        :key="t.id"
        :ref="(c) => c && cards.set(t.id, c as InstanceType<typeof FloorCard>)"
        v-model:opened="opened"
        :table="t"
        :chosen="i === at"
        :keys="enabled && !phone"
        :roomy="roomy"
        @focusin="chosen = i"
        @pointerdown="chosen = i"
      />
    </div>
    <section v-if="!roomy && card && tables[at]" class="card dock" aria-label="The chosen table">
      <FloorFingers
        v-model:opened="opened"
        :progress="card.progress"
        :capture="card.capture"
        :table="tables[at]!.view.tableNumber"
        :keys="enabled && !phone"
      >
        <strong>Table {{ tables[at]!.view.tableNumber }}, {{ tables[at]!.view.student.name }}</strong>
      </FloorFingers>
    </section>
    <p v-if="tables.length" class="soft hint">
      <template v-if="enabled"
        >A digit chooses a table, Enter goes to it; A S D F and space open a finger, and its letters are those
        of the table.</template
      >
      What is seen from here is evidence of its moment alone: time away from a table counts neither for nor
      against anybody.
    </p>
    <p class="law">{{ session.catalogue?.law }}</p>
  </div>
</template>

<style scoped>
.floor {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(350px, 100%), 1fr));
  gap: 12px;
}
.dock {
  position: sticky;
  bottom: calc(var(--bar) + 8px);
  z-index: 2;
  padding: 8px 12px 12px;
  border: 2px solid var(--ink);
}
@media (min-width: 900px) {
  .dock :deep(.fingers) {
    display: grid;
    grid-template-columns: 280px 1fr;
    gap: 12px;
    align-items: start;
  }
}
.wait {
  color: var(--stop);
  font-weight: 700;
}
.good {
  color: var(--good);
  font-weight: 650;
}
.hint {
  font-size: 14px;
}
</style>
