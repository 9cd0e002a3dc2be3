<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import Palm from '@/parts/Palm.vue'
import { capital, word } from '@/parts/words'

/** The same criteria over all regions, by technique, tool and position of the client. */
const props = defineProps<{ student: Schema['Student'] }>()
const session = useSession()
const FACETS = [
  { id: 'technique', name: 'By technique' },
  { id: 'tool', name: 'By tool' },
  { id: 'position', name: 'By position of the client' },
]
const facets = computed(() =>
  FACETS.map((f) => ({ ...f, all: props.student.rollUps.filter((r) => r.facet === f.id) })).filter(
    (f) => f.all.length > 0,
  ),
)
const named = (r: Schema['RollUp']) =>
  r.facet === 'technique'
    ? (session.techniques.get(r.subject)?.name ?? capital(word(r.subject)))
    : capital(word(r.subject))
const why = (r: Schema['RollUp']) =>
  r.bars.map((b) => `${capital(b.criterion)}: ${b.state}. ${b.why}`).join('\n')
</script>

<template>
  <section v-for="f in facets" :key="f.id" class="card">
    <h2>{{ f.name }}</h2>
    <ul>
      <li v-for="r in f.all" :key="r.subject" :title="why(r)">
        <Palm
          :bars="r.bars"
          :secure="r.bars.filter((b) => b.state === 'secure').length"
          :size="64"
          :label="named(r)"
        />
        <span>{{ named(r) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 10px;
}
li {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 4px;
  font-size: 13.5px;
  text-align: center;
  line-height: 1.2;
}
</style>
