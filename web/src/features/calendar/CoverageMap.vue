<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { FINGERS } from '@/parts/criteria'
import Palm from '@/parts/Palm.vue'
import { day, mmss, word } from '@/parts/words'
import { aimOf, fillOf, type Curriculum } from './term'

/** What the term covers: region × hand × position, and in each cell the five criteria as a palm, filled from taught to met again. */
const props = defineProps<{
  checks: Schema['TermChecksView']
  curriculum: Curriculum
  /** What was shown of it so far, undefined while that is being read. */
  log?: Schema['TermLogView']
}>()
const session = useSession()
const position = ref<string>()
const picked = ref<{ region: string; tool: string }>()

type Cell = Schema['CellView']
const positions = computed(() => [...new Set(props.checks.cells.map((c) => c.position as string))])
const tools = computed(() =>
  (session.catalogue?.tools ?? []).filter((t) => props.checks.cells.some((c) => c.tool === t.id)),
)
const shown = computed(() =>
  props.checks.cells.filter((c) => !position.value || c.position === position.value),
)
const at = (region: string, tool: string) => shown.value.filter((c) => c.region === region && c.tool === tool)
function bars(cells: { reach: Cell['reach'] }[]) {
  return FINGERS.map((f) => {
    const fill = Math.max(0, ...cells.map((c) => fillOf(c.reach[f.id])))
    const aim = cells.map((c) => c.reach[f.id]).find((a) => fillOf(a) === fill && fill > 0)
    return { criterion: f.id, fill, state: aim ? aimOf(aim).done : 'not seen' }
  })
}
const shownAt = (region: string, tool?: string) =>
  (props.log?.shown.cells ?? []).filter(
    (c) =>
      c.region === region && (!tool || c.tool === tool) && (!position.value || c.position === position.value),
  )
const sum = (values: number[]) => values.reduce((a, b) => a + b, 0)
/** Seconds shown beside those that the lessons which teach announce, or undefined where nothing is announced or shown. */
function soFar(region: string, tool?: string) {
  const cells = shownAt(region, tool)
  const announced = sum(cells.map((c) => c.announced))
  const seconds = sum(cells.map((c) => c.seconds))
  if (!announced && !seconds) return undefined
  const reached = sum(cells.map((c) => c.reached))
  return { announced, seconds, share: announced ? reached / announced : 1 }
}
const pickedSoFar = computed(() => picked.value && soFar(picked.value.region, picked.value.tool))
/** Demonstrations behind the opened cell. */
const demonstrated = computed(() => {
  if (!picked.value) return []
  const found = shownAt(picked.value.region, picked.value.tool).flatMap((c) => c.sources)
  return (props.log?.demonstrations ?? [])
    .map((d) => {
      const here = found.filter((f) => f.demonstration === d.id)
      return {
        id: d.id,
        name: d.name,
        when: d.lab ? `week ${d.lab.week}, lab ${d.lab.lab}` : day(d.startedAt),
        seconds: sum(here.map((f) => f.seconds)),
        shown: sum(here.map((f) => f.shown.length)),
        leftOut: sum(here.map((f) => f.leftOut.length)),
      }
    })
    .filter((d) => d.shown + d.leftOut > 0)
})
const gaps = computed(() => shown.value.filter((c) => c.expected && Object.keys(c.reach).length === 0).length)
const expected = computed(() => shown.value.filter((c) => c.expected).length)
const opened = computed(() => (picked.value ? at(picked.value.region, picked.value.tool) : []))
function lessonLine(id: string) {
  const l = props.curriculum.lessons.find((x) => x.id === id)
  return l ? `week ${l.week}, ${aimOf(l.aim).done}` : id
}
</script>

<template>
  <div class="map">
    <div class="top">
      <button
        class="push"
        :class="{ main: !position }"
        :aria-pressed="!position"
        @click="position = undefined"
      >
        Every position
      </button>
      <button
        v-for="p in positions"
        :key="p"
        class="push"
        :class="{ main: position === p }"
        :aria-pressed="position === p"
        @click="position = position === p ? undefined : p"
      >
        {{ word(p) }}
      </button>
      <span class="soft">{{ expected - gaps }} of {{ expected }} cells covered, {{ gaps }} empty</span>
    </div>
    <div class="scroll">
      <table aria-label="What the term covers">
        <thead>
          <tr>
            <th scope="col"><span class="sr">Region</span></th>
            <th scope="col">all</th>
            <th v-for="t in tools" :key="t.id" scope="col">{{ t.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in checks.regions" :key="r.region">
            <th scope="row">
              {{ session.regionName(r.region) }}
              <span class="soft"
                >{{ Math.round(10 * r.hours) / 10 }} h · {{ r.covered }}/{{ r.expected }}</span
              >
            </th>
            <td><Palm :bars="bars([r])" :size="46" :label="`${session.regionName(r.region)} in all`" /></td>
            <td v-for="t in tools" :key="t.id">
              <button
                v-if="at(r.region, t.id).length"
                class="cell"
                :class="{ here: picked?.region === r.region && picked.tool === t.id }"
                :aria-pressed="picked?.region === r.region && picked.tool === t.id"
                @click="picked = { region: r.region, tool: t.id }"
              >
                <Palm
                  :bars="bars(at(r.region, t.id))"
                  :size="46"
                  :label="`${session.regionName(r.region)}, ${t.name}`"
                />
                <span
                  v-if="soFar(r.region, t.id)"
                  class="far"
                  role="img"
                  :aria-label="`shown ${mmss(soFar(r.region, t.id)!.seconds)} of ${mmss(soFar(r.region, t.id)!.announced)}`"
                  ><span :style="{ width: `${100 * soFar(r.region, t.id)!.share}%` }"
                /></span>
              </button>
              <span v-else class="soft" aria-label="not expected">·</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div v-if="picked" class="opened" aria-live="polite">
      <strong>{{ session.regionName(picked.region) }}, {{ session.toolName(picked.tool) }}</strong>
      <ul>
        <template v-for="c in opened" :key="c.position">
          <li v-if="c.sources.length === 0">
            {{ word(c.position) }}: empty. No lesson has a step with this hand here.
          </li>
          <li v-for="s in c.sources" :key="c.position + s.lesson">
            {{ word(c.position) }}, {{ lessonLine(s.lesson) }}:
            <router-link :to="`/plan/${s.sequence}`">{{ s.sequence }}</router-link>, {{ s.steps.length }}
            {{ s.steps.length === 1 ? 'step' : 'steps' }}
          </li>
        </template>
      </ul>
      <ul v-if="demonstrated.length">
        <li v-for="d in demonstrated" :key="d.id">
          Shown in {{ d.when }}: <router-link :to="`/show/${d.id}`">{{ d.name }}</router-link>,
          {{ mmss(d.seconds) }}{{ d.leftOut ? `, ${d.leftOut} left out` : '' }}
        </li>
      </ul>
      <span v-if="pickedSoFar" class="soft"
        >{{ mmss(pickedSoFar.seconds) }} shown of {{ mmss(pickedSoFar.announced) }} announced ·
      </span>
      <span class="soft"
        >{{ mmss(opened.reduce((sum, c) => sum + c.seconds, 0)) }} of client time over the term</span
      >
    </div>
    <p v-else class="soft">
      A palm is filled one quarter for each of taught, practised, assessed, met again. Dashed: expected and
      empty. The line below: how much of what is to be shown was shown so far. A dot: no zone of the region
      takes this hand. Touch a palm to see what is behind it.
    </p>
  </div>
</template>

<style scoped>
.map {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}
.scroll {
  overflow: auto;
  min-height: 0;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  font: 600 13px/1.15 var(--text);
  padding: 4px 3px;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  vertical-align: bottom;
}
tbody th {
  text-align: left;
  font-size: 14px;
  min-width: 120px;
}
tbody th span {
  display: block;
  font-weight: 400;
  font-size: 13px;
}
td {
  text-align: center;
  border-top: 1px solid var(--line);
  padding: 0;
}
.cell {
  min-width: 48px;
  min-height: 46px;
  background: none;
  border: 0;
  border-radius: 10px;
  padding: 2px;
  cursor: pointer;
}
.far {
  display: block;
  height: 4px;
  margin: 0 6px;
  border-radius: 2px;
  background: var(--line);
  overflow: hidden;
}
.far span {
  display: block;
  height: 100%;
  background: var(--order);
}
.cell.here {
  box-shadow: inset 0 0 0 2px var(--ink);
}
.opened ul {
  margin: 4px 0;
  padding-left: 20px;
  font-size: 14.5px;
  max-height: 120px;
  overflow-y: auto;
}
</style>
