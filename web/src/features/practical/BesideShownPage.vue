<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import Strip from '@/parts/Strip.vue'
import { day, mmss } from '@/parts/words'
import { besideShown, blocksOf } from './beside'
import { stripOfView } from './tableModel'

/** A student's run beside the demonstration of the same sequence: order, and the time each step had. */
const props = defineProps<{ id: string; demonstration: string }>()
const session = useSession()
const { data, problem, loading, again } = useAsked(async () => {
  const [view, shown] = await Promise.all([
    ask(api.GET('/api/practicals/{id}', { params: { path: { id: props.id } } })),
    ask(api.GET('/api/demonstrations/{id}', { params: { path: { id: props.demonstration } } })),
  ])
  return { view, shown }
})
const moment = ref<number>()
const strips = computed(() => {
  if (!data.value) return []
  const { view, shown } = data.value
  const blocks = blocksOf(shown)
  const total = Math.max(view.spans.at(-1)?.end ?? 1, view.run.end / 1000, blocks.at(-1)?.end ?? 0)
  const own = stripOfView(view, total, session.pointedTools)
  const theirs = stripOfView(
    { ...view, events: [], run: { done: [], opens: [], attended: [], end: 0 } },
    total,
    session.pointedTools,
  )
  theirs.seen = { ...theirs.seen!, blocks }
  return [
    { name: 'As it was shown', strip: theirs },
    { name: `${view.student.name}, ${day(view.startedAt)}`, strip: own },
  ]
})
const lines = computed(() => (data.value ? besideShown(data.value.view, data.value.shown) : []))
/** Less than what was shown, although class shows a token of what a client needs: that is what to look at. */
const short = (l: (typeof lines.value)[number]) => l.doneSeconds < 0.5 * l.plannedSeconds
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <template v-if="data">
      <div class="top">
        <router-link class="push" :to="`/review/${id}`" aria-label="Back">←</router-link>
        <div>
          <h1>{{ data.view.student.name }} beside the demonstration</h1>
          <span class="soft">{{ data.view.sequence.name }}</span>
        </div>
      </div>
      <section v-for="s in strips" :key="s.name" :aria-label="s.name">
        <h2>{{ s.name }}</h2>
        <Strip :model="s.strip" slim :playhead="moment" @moment="moment = $event" />
      </section>
      <table class="card" tabindex="0">
        <thead>
          <tr>
            <th>Step</th>
            <th>A client needs</th>
            <th>The class was shown</th>
            <th>The student gave</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in lines" :key="l.key">
            <th>
              {{ l.place }} {{ l.name
              }}<span v-if="l.side === 'left' || l.side === 'right'" class="soft">, {{ l.side }}</span>
            </th>
            <td>{{ mmss(l.plannedSeconds) }}</td>
            <td>{{ l.shownSeconds > 0 ? mmss(l.shownSeconds) : 'left out' }}</td>
            <td :class="{ short: short(l) }">{{ l.doneSeconds > 0 ? mmss(l.doneSeconds) : 'left out' }}</td>
          </tr>
        </tbody>
      </table>
      <p class="soft">Red: under half of what a client needs. Class shows less than that on purpose.</p>
    </template>
  </div>
</template>

<style scoped src="./beside.css"></style>
<style scoped>
.short {
  color: var(--stop);
  font-weight: 700;
}
</style>
