<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { askDraft } from '@/core/askDraft'
import { useSession } from '@/features/session/useSession'
import AddField from '@/parts/AddField.vue'
import Failed from '@/parts/Failed.vue'
import { doseWords, word } from '@/parts/words'
import LayTemplate from './LayTemplate.vue'
import TeachWord from './TeachWord.vue'
import { freshId, stepsIn } from './edits'

/** A step by typing a line, several by pasting rows, many by laying a template over zones. */
const props = defineProps<{ sequence: Schema['Sequence']; after?: string; profile?: string }>()
const emit = defineEmits<{
  steps: [what: string, steps: Schema['Step'][]]
  blocks: [what: string, blocks: Schema['Block'][]]
  /** The step of a line that was read anew, with a word that was taught. */
  again: [step: Schema['Step']]
  /** Escape: back to the steps. */
  leave: []
}>()
const session = useSession()
const line = ref('')
/** Lines that are no step yet: each has one question. */
const asked = ref<Schema['JottedLine'][]>([])
/** The line that was taken last, and what was made of it. */
const taken = ref<Schema['JottedLine']>()
/** Headings above the line that is typed next: they are read with it. */
const held = ref<string[]>([])
/** The words of it that are being taught. */
const teaching = ref('')
const { busy, failed, during } = useCommand()
const open = ref(false)
const field = ref<HTMLInputElement>()
const strokes = computed(() => session.catalogue?.techniques.filter((t) => !t.retired) ?? [])
defineExpose({ focus: () => field.value?.focus() })

/** Reads lines, each going on from the one before: what is a step is taken, of the others one thing is asked. */
async function read(typed: string[], instead?: Schema['Step']) {
  const lines = [...held.value, ...typed]
  teaching.value = ''
  const ids: string[] = []
  for (let i = 0; i < lines.length; i++) ids.push(instead?.id ?? freshId(props.sequence, 'step-1', ids))
  const steps = stepsIn(props.sequence)
  const before = instead
    ? steps[steps.findIndex((s) => s.id === instead.id) - 1]
    : steps.find((s) => s.id === props.after)
  await during(async () => {
    const jotted = await askDraft('lines', { lines, ids, after: before })
    const made = jotted.flatMap((j) => j.step ?? [])
    const last = jotted.findLastIndex((j) => j.step ?? j.asked ?? j.onto)
    held.value = jotted.slice(last + 1).map((j) => j.line)
    const onto = jotted.findLast((j) => j.onto)?.onto
    if (onto && !instead) emit('again', onto)
    asked.value = jotted.filter((j) => j.asked)
    taken.value = jotted.length === 1 && made.length ? jotted[0] : undefined
    if (instead && made[0]) emit('again', made[0])
    else if (made.length)
      emit('steps', made.length === 1 ? `Added ${made[0]!.name}` : `Added ${made.length} steps`, made)
    if (made.length || onto || held.value.length) line.value = ''
  })
}
/** The answer to the one question is said at the end of the line. */
async function answer(j: Schema['JottedLine'], with_: string) {
  const others = asked.value.filter((a) => a !== j)
  await read([`${j.line}, ${with_}`])
  asked.value = [...others, ...asked.value]
}
const leaveOut = (j: Schema['JottedLine']) => (asked.value = asked.value.filter((a) => a !== j))
/** What was understood, as short as it stands on the line of a step. */
const understood = computed(() => {
  const s = taken.value?.step
  if (!s) return []
  return [
    session.techniques.get(s.technique)?.name ?? s.technique,
    s.zones.map(session.zoneName).join(' and '),
    session.handName(s),
    `depth ${s.depth}`,
    doseWords(s.dose),
    s.side,
    word(s.position),
    ...(taken.value?.said.map((l) => `${l.label}: ${l.words}`) ?? []),
  ]
})
// Lines of a routine that was written down and are no step yet.
const given = history.state?.lines as string[] | undefined
if (given?.length) {
  history.replaceState({ ...history.state, lines: undefined }, '')
  void read(given)
}
const taught = () => taken.value?.step && read([taken.value.line], taken.value.step)
function paste(e: ClipboardEvent) {
  const rows = (e.clipboardData?.getData('text/plain') ?? '')
    .split(/\r?\n/)
    .map((r) => r.replaceAll('\t', ' ').trim())
    .filter(Boolean)
  if (rows.length < 2) return
  e.preventDefault()
  void read(rows)
}
function laid(what: string, blocks: Schema['Block'][]) {
  emit('blocks', what, blocks)
  open.value = false
}
</script>

<template>
  <div class="add">
    <form class="row" @submit.prevent="line.trim() && read([line])">
      <input
        ref="field"
        v-model="line"
        aria-label="Add a step by typing"
        placeholder="Type a step: forearm glide hamstrings 90s x3 firm"
        maxlength="500"
        :disabled="busy"
        @paste="paste"
        @keydown.escape="emit('leave')"
      />
      <button class="push" :disabled="busy || !line.trim()">Add</button>
      <button type="button" class="push" :aria-expanded="open" @click="open = !open">Template</button>
    </form>
    <Failed :of="failed" />
    <p v-for="h in held" :key="h" class="read">
      <span class="soft">Above the next line</span> <span class="said">{{ h }}</span>
      <button
        type="button"
        class="close"
        :aria-label="`Leave out ${h}`"
        @click="held = held.filter((x) => x !== h)"
      >
        ×
      </button>
    </p>
    <div v-for="j in asked" :key="j.line" class="asked" role="group" :aria-label="j.line">
      <p>
        “{{ j.line }}” <strong>{{ j.asked!.question }}</strong>
      </p>
      <button
        v-for="n in j.asked!.nearest"
        :key="n"
        type="button"
        class="push"
        :disabled="busy"
        @click="answer(j, n)"
      >
        {{ n }}
      </button>
      <AddField
        :label="`Another answer to: ${j.asked!.question}`"
        first="Another…"
        :offered="j.asked!.what === 'stroke' ? strokes : (session.catalogue?.zones ?? [])"
        @add="(id) => answer(j, id.replaceAll('-', ' '))"
      />
      <button type="button" class="push" @click="leaveOut(j)">Leave it out</button>
    </div>
    <p v-if="taken" class="read" aria-live="polite">
      <span v-for="u in understood" :key="u" class="said">{{ u }}</span>
      <template v-for="n in taken.note" :key="n">
        <button
          v-if="session.plans"
          type="button"
          class="unsaid"
          :title="`Stays a note. Teach “${n}”`"
          @click="teaching = n"
        >
          {{ n }}
        </button>
        <span v-else class="unsaid">{{ n }}</span>
      </template>
      <button type="button" class="close" aria-label="Close" @click="taken = undefined">×</button>
    </p>
    <TeachWord v-if="teaching" :word="teaching" @taught="taught" @leave="teaching = ''" />
    <LayTemplate v-if="open" :sequence="sequence" :profile="profile" @lay="laid" />
  </div>
</template>

<style scoped>
.add {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.row {
  display: flex;
  gap: 8px;
}
.row input {
  flex: 1;
  min-width: 0;
}
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.asked p {
  flex: 1 1 100%;
  margin: 0;
}
.read {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  margin: 0;
  align-items: center;
  font-size: 13px;
  position: relative;
  padding-right: 36px;
}
.said {
  background: var(--linen);
  border-radius: 999px;
  padding: 1px 9px;
}
.unsaid {
  border: 0;
  background: none;
  color: var(--ink);
  font: 500 13px var(--text);
  text-decoration: underline wavy var(--stop) 1px;
  text-underline-offset: 4px;
  padding: 2px 6px;
  min-height: 32px;
}
button.unsaid {
  cursor: pointer;
}
.close {
  border: 0;
  background: none;
  min-width: 32px;
  min-height: 32px;
  font-size: 18px;
  color: var(--ink-soft);
  cursor: pointer;
  position: absolute;
  top: 0;
  right: 0;
}
</style>
