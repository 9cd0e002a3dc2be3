<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import { counted } from '@/parts/words'

/** Names that are not one student's as they are written: who is meant. */
const props = defineProps<{ seen: Schema['MarksPreview'] }>()
const emit = defineEmits<{ say: [name: string, student: string] }>()
const NOBODY = 'nobody'
const open = computed(() => props.seen.names.filter((n) => n.found !== 'EXACT'))
const found = computed(() => props.seen.names.length - open.value.length)
const label = (s: Schema['Candidate']) =>
  props.seen.students.filter((o) => o.name === s.name).length > 1 ? `${s.name} (${s.signIn})` : s.name
function options(n: Schema['NameLine']) {
  const likely = n.candidates.map((c) => ({ id: c.id, name: label(c) }))
  const rest = props.seen.students
    .filter((s) => !n.candidates.some((c) => c.id === s.id))
    .map((s) => ({ id: s.id, name: label(s) }))
  return [
    { id: NOBODY, name: 'nobody of this school' },
    ...(likely.length ? [{ group: 'Nearly so written', options: likely }] : []),
    { group: 'All', options: rest },
  ]
}
const says = (n: Schema['NameLine']) =>
  n.chosen ? '' : n.found === 'NEAR' ? 'nearly' : n.found === 'SEVERAL' ? 'may be several' : 'not known here'
</script>

<template>
  <section class="card" aria-label="Names">
    <h2>{{ counted(seen.names.length, 'name') }}</h2>
    <p class="soft">
      {{
        found === seen.names.length
          ? 'Each is one student’s as written.'
          : `${found === 1 ? '1 is' : `${found} are`} one student’s as written.`
      }}{{ open.length ? ' Whoever stays nobody’s keeps the marks under the name alone.' : '' }}
    </p>
    <ul v-if="open.length">
      <li v-for="n in open" :key="n.given">
        <span class="given"
          ><b>{{ n.given }}</b>
          <span class="soft small">{{ counted(n.rows, 'row') }} {{ says(n) }}</span></span
        >
        <ChoiceField
          bare
          :label="`Who is ${n.given}`"
          :options="options(n)"
          :model-value="n.student ?? NOBODY"
          @update:model-value="(s) => emit('say', n.given, s === NOBODY || !s ? '' : String(s))"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  max-height: 340px;
  overflow-y: auto;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  min-height: 50px;
  border-top: 1px solid var(--line);
}
.given {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.small {
  font-size: 13.5px;
}
</style>
