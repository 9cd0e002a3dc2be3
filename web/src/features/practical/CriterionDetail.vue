<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { hue } from '@/parts/criteria'
import { capital } from '@/parts/words'
import { eventWords } from './eventWords'
import { stateOf } from './stateOf'

/** One score down to what was seen: its parts, that which cost most first, its findings, and the taps that each rests on. */
const props = defineProps<{
  criterion: Schema['CriterionView']
  events: ReadonlyMap<string, Schema['PracticalView']['events'][number]>
  stepName: (id: string) => string
  /** The award is being written: a remedy can be said at its moment. */
  changing: boolean
}>()
const emit = defineEmits<{ event: [id: string]; remark: [words: string, atMs?: number] }>()
/** Key of the part or finding whose taps are shown. */
const opened = ref<string>()
const costly = computed(() => {
  const lost = (p: Schema['CriterionView']['parts'][number]) => p.weight * (1 - (p.value ?? 1))
  return [...props.criterion.parts].sort((a, b) => lost(b) - lost(a))
})
function open(key: string, ids: readonly string[]) {
  opened.value = opened.value === key ? undefined : key
  if (ids[0]) emit('event', ids[0])
}
const linesOf = (ids: readonly string[]) => ids.flatMap((id) => props.events.get(id) ?? [])
const percent = (value: number) => `${value < 0 ? '−' : ''}${Math.abs(Math.round(100 * value))} %`
</script>

<template>
  <section class="card detail" :style="{ '--hue': hue(criterion.criterion) }">
    <h2>{{ criterion.name }}</h2>
    <p v-if="criterion.why" class="soft">{{ capital(stateOf(criterion)) }}: {{ criterion.why }}.</p>
    <div v-for="p in costly" :key="p.name" class="part">
      <button class="plain" :aria-expanded="opened === p.name" @click="open(p.name, p.events)">
        <b>{{ p.name }}</b>
        <span class="val">{{ p.value == null ? 'not observed' : percent(p.value) }}</span>
        <span class="soft"
          >{{ p.explanation
          }}<template v-if="p.weight > 0 && (p.value ?? 0) >= 0"> · weight {{ p.weight }}</template></span
        >
      </button>
      <ul v-if="opened === p.name">
        <li v-for="e in linesOf(p.events)" :key="e.id">
          <button class="ev" @click="$emit('event', e.id)">{{ eventWords(e, stepName) }}</button>
        </li>
        <li v-if="p.events.length === 0" class="soft">No event; it follows from the whole log.</li>
      </ul>
    </div>
    <article v-for="f in criterion.findings" :key="f.key" :class="f.severity">
      <button class="plain" :aria-expanded="opened === f.key" @click="open(f.key, f.evidence)">
        <b>{{ capital(f.severity) }}</b> <span class="rule">{{ f.rule }}</span> {{ f.sentence }}
        <span class="soft">{{ f.remedy }}</span>
      </button>
      <button v-if="changing" class="ev" @click="$emit('remark', f.remedy, f.where.atMs ?? undefined)">
        Say so at its moment
      </button>
      <ul v-if="opened === f.key">
        <li v-for="e in linesOf(f.evidence)" :key="e.id">
          <button class="ev" @click="$emit('event', e.id)">{{ eventWords(e, stepName) }}</button>
        </li>
      </ul>
    </article>
    <p v-if="criterion.findings.length === 0" class="soft">No finding.</p>
    <router-link class="how" :to="`/marks#${criterion.criterion}`">How this mark comes about</router-link>
  </section>
</template>

<style scoped>
.detail {
  border-top: 4px solid var(--hue);
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.plain {
  background: none;
  border: 0;
  font: inherit;
  color: inherit;
  text-align: left;
  cursor: pointer;
  min-height: var(--target);
  width: 100%;
}
.part .plain {
  display: grid;
  grid-template-columns: 92px 104px 1fr;
  gap: 8px;
  align-items: center;
}
.val {
  font-weight: 700;
}
ul {
  margin: 0 0 6px;
  padding-left: 22px;
}
.ev {
  background: none;
  border: 0;
  font: inherit;
  color: inherit;
  text-decoration: underline;
  cursor: pointer;
  min-height: var(--target);
  text-align: left;
}
article {
  border-left: 5px solid var(--hint);
  padding-left: 10px;
  font-size: 14.5px;
}
article.stop {
  border-color: var(--stop);
}
article.critical {
  border-color: var(--stop);
  background: var(--stop-wash);
}
article.warn {
  border-color: var(--warn);
}
.rule {
  font-size: 12px;
  font-weight: 600;
  color: var(--ink-soft);
}
.how {
  align-self: start;
  min-height: var(--target);
  line-height: var(--target);
  color: inherit;
}
</style>
