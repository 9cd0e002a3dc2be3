<script setup lang="ts">
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { clock, dayOf } from './clock'

/** Where somebody is in the days of practicals to come; nothing while there is none. */
const { data } = useAsked(() => ask(api.GET('/api/me/sittings')))
type Mine = Schema['MySitting']
function said(s: Mine): string {
  switch (s.does) {
    case 'shows':
      return `you show ${s.sequence}${s.client ? ` on ${s.client}` : ''}`
    case 'is-client':
      return `${s.student} shows ${s.sequence} on you`
    case 'grades':
      return `${s.student} shows ${s.sequence}${s.client ? ` on ${s.client}` : ''}`
    default:
      return `beside ${s.grader ?? 'another'}: ${s.student}, ${s.sequence}`
  }
}
</script>

<template>
  <section v-if="data?.length" class="card" aria-label="My practicals to come">
    <h2>Practicals to come</h2>
    <ul>
      <li v-for="s in data" :key="s.id">
        <strong>{{ dayOf(s.heldOn) }}, {{ clock(s.begins) }}</strong>
        <span>table {{ s.table }}: {{ said(s) }}</span>
        <router-link
          v-if="s.does === 'grades' || s.does === 'grades-beside'"
          class="push"
          :to="s.practical ? `/grade/${s.practical}` : `/timetable?day=${s.day}&sitting=${s.id}`"
          >{{ s.practical ? 'Go on' : 'Open' }}</router-link
        >
        <span v-else-if="s.begun" class="soft">begun</span>
        <span v-else-if="s.grader && s.does === 'shows'" class="soft">{{ s.grader }} grades</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: center;
  min-height: var(--target);
}
</style>
