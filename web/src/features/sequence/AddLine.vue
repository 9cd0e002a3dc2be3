<script setup lang="ts">
import { ref } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import OwnTechnique from '@/features/technique/OwnTechnique.vue'
import AddField from '@/parts/AddField.vue'
import { capital } from '@/parts/words'
import { freshId, stepsIn } from './edits'

/** A step by typing a line, several by pasting rows, many by laying a template over zones. */
const props = defineProps<{ sequence: Schema['Sequence']; after?: string; profile?: string }>()
const emit = defineEmits<{
  steps: [what: string, steps: Schema['Step'][]]
  blocks: [what: string, blocks: Schema['Block'][]]
  /** Escape: back to the steps. */
  leave: []
}>()
const session = useSession()
const line = ref('')
const faults = ref<string[]>([])
/** Words of the line that nobody knows: they may be a technique of the school's own. */
const unknown = ref<string[]>([])
const naming = ref(false)
const busy = ref(false)
const open = ref(false)
const template = ref('')
const zones = ref<string[]>([])
const field = ref<HTMLInputElement>()
defineExpose({ focus: () => field.value?.focus() })

/** Reads lines one after another, each going on from the last; all are taken or none. */
async function read(lines: string[]) {
  busy.value = true
  faults.value = []
  unknown.value = []
  naming.value = false
  const made: Schema['Step'][] = []
  let before = stepsIn(props.sequence).find((s) => s.id === props.after)
  for (const [i, text] of lines.entries()) {
    const id = freshId(
      props.sequence,
      'step-1',
      made.map((s) => s.id),
    )
    try {
      const step = await ask(api.POST('/api/drafts/step', { body: { text, id, after: before } }))
      made.push(step)
      before = step
    } catch (e) {
      const p = e as Problem
      if (lines.length === 1)
        unknown.value = p.faults.filter((f) => f.reason.startsWith('is not known')).map((f) => f.value)
      const said = p.faults.length
        ? p.faults.map((f) => `${f.value ? `“${f.value}” ` : ''}${f.reason}`)
        : [p.detail]
      faults.value.push(...said.map((s) => (lines.length > 1 ? `Row ${i + 1}: ${s}` : s)))
    }
  }
  busy.value = false
  if (faults.value.length > 0 || made.length === 0) return
  emit('steps', made.length === 1 ? `Added ${made[0]!.name}` : `Added ${made.length} steps`, made)
  line.value = ''
}
function paste(e: ClipboardEvent) {
  const rows = (e.clipboardData?.getData('text/plain') ?? '')
    .split(/\r?\n/)
    .map((r) => r.replaceAll('\t', ' ').trim())
    .filter(Boolean)
  if (rows.length < 2) return
  e.preventDefault()
  void read(rows)
}
async function lay() {
  busy.value = true
  faults.value = []
  try {
    const blocks = await ask(
      api.POST('/api/drafts/template', {
        body: {
          sequence: props.sequence,
          profile: props.profile,
          template: template.value as 'protocol',
          zones: zones.value as never[],
        },
      }),
    )
    const name = session.catalogue?.templates.find((t) => t.id === template.value)?.name ?? 'Template'
    emit('blocks', `Laid ${name.toLowerCase()} over ${zones.value.length} zones`, blocks)
    open.value = false
    zones.value = []
  } catch (e) {
    const p = e as Problem
    faults.value = p.faults.length ? p.faults.map((f) => `${f.value} ${f.reason}`) : [p.detail]
  } finally {
    busy.value = false
  }
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
    <ul v-if="faults.length" role="alert" class="faults">
      <li v-for="f in faults" :key="f">{{ f }}</li>
    </ul>
    <button
      v-if="unknown.length && session.plans && !naming"
      type="button"
      class="push"
      @click="naming = true"
    >
      Make “{{ unknown.join(' ') }}” a technique of your own
    </button>
    <OwnTechnique
      v-if="naming"
      :name="capital(unknown.join(' '))"
      @added="read([line])"
      @leave="naming = false"
    />
    <form v-if="open" class="lay" @submit.prevent="lay">
      <label>
        Pattern
        <select v-model="template" required>
          <option value="" disabled>Choose…</option>
          <option v-for="t in session.catalogue?.templates" :key="t.id" :value="t.id">
            {{ t.name }}: {{ t.words }}
          </option>
        </select>
      </label>
      <label>
        Zones, in order
        <span class="zones">
          <button
            v-for="z in zones"
            :key="z"
            type="button"
            class="push"
            @click="zones = zones.filter((x) => x !== z)"
          >
            {{ session.zoneName(z) }} ×
          </button>
          <AddField
            label="Lay over a zone"
            first="Add a zone…"
            :offered="session.catalogue?.zones.filter((z) => !zones.includes(z.id)) ?? []"
            @add="(id) => (zones = [...zones, id])"
          />
        </span>
      </label>
      <button class="push main" :disabled="busy || !template || zones.length === 0">Lay it down</button>
    </form>
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
input,
select {
  min-height: var(--target);
  border: 1.5px solid var(--line);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 15px var(--text);
  padding: 0 12px;
}
.faults {
  color: var(--stop);
  font-weight: 600;
  margin: 0;
  padding-left: 20px;
}
.lay {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.lay label {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
  width: 100%;
}
.lay select {
  display: block;
  max-width: 100%;
}
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
