<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { hue } from '@/parts/criteria'
import { counted, day, points } from '@/parts/words'
import { fingerOf, stateOf } from './track'

/** What stands behind the bars: what is next, gates, hours and bodies, goals, and how well somebody knows themselves. */
const props = defineProps<{ student: Schema['Student'] }>()
const session = useSession()

const ORDER = ['open critical', 'due again', 'at risk', 'emerging', 'not seen', 'secure']
/** What is closest to changing: critical first, then what one look brings back, then what fewest looks make secure. */
const next = computed(() =>
  props.student.regions
    .flatMap((r) => r.lines.map((l) => ({ region: r.region, ...l })))
    .filter((l) => l.pace && l.history.length > 0)
    .sort(
      (a, b) =>
        ORDER.indexOf(a.bar.state) - ORDER.indexOf(b.bar.state) ||
        (a.pace!.looks ?? 99) - (b.pace!.looks ?? 99) ||
        (b.bar.secureProbability ?? 0) - (a.bar.secureProbability ?? 0),
    )
    .slice(0, 3),
)
const own = computed(() => {
  const marks = props.student.selfMarks
  if (marks.length === 0) return undefined
  const off = marks.map((m) => m.own - m.awarded)
  return {
    mean: off.reduce((a, b) => a + b, 0) / off.length,
    far: off.reduce((a, b) => a + Math.abs(b), 0) / off.length,
  }
})
const hours = (h: number) => (h < 1 ? `${Math.round(60 * h)} min` : `${h.toFixed(1)} h`)
</script>

<template>
  <section class="card">
    <h2>What is next</h2>
    <p v-if="next.length === 0" class="soft">Everything that was seen is secure.</p>
    <ul v-else>
      <li v-for="l in next" :key="l.region + l.bar.criterion">
        <b :style="{ color: hue(l.bar.criterion) }">{{ fingerOf(l.bar.criterion).name }}</b>,
        {{ session.regionName(l.region) }}: {{ stateOf(l) }}.
        {{ l.pace!.why }}
      </li>
    </ul>
  </section>
  <section class="card">
    <h2>Gates</h2>
    <ul>
      <li v-for="g in student.gates" :key="g.gate" :class="g.open ? 'open' : 'shut'">
        <span aria-hidden="true">{{ g.open ? '✓' : '–' }}</span> {{ g.why }}
      </li>
    </ul>
  </section>
  <section class="card">
    <h2>Hours and bodies</h2>
    <p>
      {{ counted(student.worked.practicals, 'practical') }}, {{ hours(student.worked.hours) }} at work and
      {{ hours(student.worked.hoursOnTable) }} on the table;
      {{ counted(student.worked.bodies, 'body', 'bodies') }} worked on,
      {{ counted(student.worked.rounds, 'practice round') }}.
    </p>
  </section>
  <section class="card">
    <h2>Own goals</h2>
    <p v-if="student.goals.length === 0" class="soft">None were agreed on in a review yet.</p>
    <ul v-else>
      <li v-for="(g, i) in student.goals.slice(0, 6)" :key="i">
        {{ g.goal }}
        <router-link class="from" :to="`/review/${g.practical}`"
          >{{ day(g.at) }}, {{ g.sequence }}</router-link
        >
      </li>
    </ul>
  </section>
  <section class="card">
    <h2>Own marks against marks</h2>
    <p v-if="!own" class="soft">No own marks yet: they are given before a result is shown.</p>
    <template v-else>
      <p>
        {{
          Math.abs(own.mean) < 3
            ? 'Neither too high nor too low'
            : `${points(Math.abs(own.mean))} points too ${own.mean > 0 ? 'high' : 'low'}`
        }}
        on average, off by {{ points(own.far) }}, over {{ counted(student.selfMarks.length, 'mark') }}.
      </p>
      <ul>
        <li v-for="(m, i) in [...student.selfMarks].reverse().slice(0, 5)" :key="i">
          <b :style="{ color: hue(m.criterion) }">{{ fingerOf(m.criterion).name }}</b>, {{ day(m.at) }}: own
          {{ points(m.own) }}, awarded {{ points(m.awarded) }}
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  font-size: 14.5px;
  line-height: 1.35;
}
li {
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
.open span {
  color: var(--good);
  font-weight: 700;
}
.from {
  display: flex;
  align-items: center;
  min-height: var(--target);
  font-size: 13.5px;
  color: var(--ink-soft);
}
</style>
