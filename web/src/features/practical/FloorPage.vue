<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import OfflineNote from '@/parts/OfflineNote.vue'
import Standing from '@/parts/Standing.vue'
import FloorCard from './FloorCard.vue'
import { common, type Common } from './floorKeys'
import { doing } from './run'
import { useFingerKeys } from './useFingerKeys'
import { useFloor, type Table } from './useFloor'

/** All tables at once. The floor has the grader's eyes on none: what is judged by time is judged at an opened table only. */
const session = useSession()
const router = useRouter()
const floor = useFloor()
const { tables, problem, loaded, waiting } = floor
const chosen = ref(0)
const at = computed(() => tables.value[Math.min(chosen.value, tables.value.length - 1)])

function give(table: Table, what: Common) {
  const taps = table.taps
  if (what.id === 'undo') return void taps.undo()
  if (what.id === 'next') {
    const { on, spent } = doing(taps.taps.value)
    const spans = table.view.spans
    const from = spans.findIndex((s) => `${s.step}/${s.side}` === on)
    const next = spans.find((s, i) => i > from && !spent.has(`${s.step}/${s.side}`))
    if (next) void taps.tap('step-start', { step: next.step as string, side: next.side })
    return
  }
  void taps.tap(what.kind!, what.data)
}
const { enabled } = useFingerKeys({
  finger: () => undefined,
  key(key) {
    const table = at.value
    const what = common.find((c) => c.key === key)
    if (/^[1-9]$/.test(key)) {
      const to = tables.value.find((t) => t.view.tableNumber === Number(key))
      if (to) void router.push(`/grade/${to.id}`)
    } else if (key === 'arrowright' || key === 'arrowdown')
      chosen.value = Math.min(tables.value.length - 1, chosen.value + 1)
    else if (key === 'arrowleft' || key === 'arrowup') chosen.value = Math.max(0, chosen.value - 1)
    else if (key === 'enter' && table && !document.activeElement?.closest('a, button'))
      void router.push(`/grade/${table.id}`)
    else if (what && table) give(table, what)
    else if (key === 'x' && table) void table.taps.tap('safety-stop')
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
        :table="t"
        :chosen="i === chosen"
        :keys="enabled"
        @give="(what) => give(t, what)"
        @focusin="chosen = i"
      />
    </div>
    <p v-if="tables.length" class="soft hint">
      A digit or a touch goes to a table. Time away from it counts neither for nor against anybody: it is not
      observed.
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
