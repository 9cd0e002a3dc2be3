<script setup lang="ts">
import * as values from '@/api/schema'
import { computed } from 'vue'
import { useSession } from '@/features/session/useSession'
import { vTyped } from '@/parts/typed'
import AddField from '@/parts/AddField.vue'
import { word } from '@/parts/words'
import * as D from './detail'
import PictureField from './PictureField.vue'

/** What else is said of a step: folded away, and all of it optional. */
const props = defineProps<{ detail?: D.Detail; zones: readonly string[] }>()
const emit = defineEmits<{ change: [what: string, detail: D.Detail | undefined] }>()
const session = useSession()
const d = computed(() => props.detail ?? D.nothing())
const set = <K extends keyof D.Detail>(key: K, value: D.Detail[K], what: string) =>
  emit('change', what, D.changed(props.detail, key, value))
const text = (e: Event) => (e.target as HTMLInputElement).value.trim() || undefined
const num = (e: Event) => {
  const n = (e.target as HTMLInputElement).valueAsNumber
  return Number.isFinite(n) && n > 0 ? n : undefined
}
/** What lies in the zones comes first. */
const structures = computed(() => {
  const there = (s: { zones: string[] }) => s.zones.some((z) => props.zones.includes(z))
  const all = session.catalogue?.structures.filter((s) => !d.value.structures.includes(s.id)) ?? []
  return [...all.filter(there), ...all.filter((s) => !there(s))]
})
const structure = (id: string) => session.catalogue?.structures.find((s) => s.id === id)
const cautions = computed(() => d.value.structures.flatMap((id) => structure(id)?.caution ?? []))
const landmarks = computed(() => {
  const near = (l: { zones: string[] }) => l.zones.some((z) => props.zones.includes(z))
  const all = session.catalogue?.landmarks ?? []
  return [...all.filter(near), ...all.filter((l) => !near(l))]
})
const own = (field: keyof D.Detail['words'], value: string | undefined) => {
  const words = { ...d.value.words }
  if (value) words[field] = value
  else delete words[field]
  set('words', words, 'Words')
}
const part = (i: number, patch: Partial<D.Detail['part'][number]>) =>
  set(
    'part',
    d.value.part.map((p, k) => (k === i ? { ...p, ...patch } : p)),
    'Client’s part',
  )
const branch = (i: number, patch: Partial<D.Detail['instead'][number]>) =>
  set(
    'instead',
    d.value.instead.map((b, k) => (k === i ? { ...b, ...patch } : b)),
    'Instead',
  )
function compare(what: (typeof values.comparisonWhatValues)[number]) {
  const all = D.toggled(d.value.compares?.what ?? [], what)
  set(
    'compares',
    all.length ? { what: all, when: d.value.compares?.when ?? 'before' } : undefined,
    'Comparison',
  )
}
const LISTS = [
  { key: 'limb', name: 'Limb', first: 'Where a limb lies…', all: values.detailLimbValues },
  { key: 'props', name: 'Props', first: 'Add a prop…', all: values.detailPropsValues },
  { key: 'manner', name: 'Therapist', first: 'How the therapist is…', all: values.detailMannerValues },
] as const
</script>

<template>
  <details class="more" :open="D.says(detail)">
    <summary>More of what is taught</summary>
    <div class="grid">
      <div class="wide">
        <span>Muscles and bands</span>
        <span class="row">
          <button
            v-for="s in d.structures"
            :key="s"
            type="button"
            class="chip"
            @click="set('structures', D.toggled(d.structures, s), 'Structures')"
          >
            {{ structure(s)?.name ?? word(s) }} <span aria-hidden="true">×</span
            ><span class="sr">, take out</span>
          </button>
          <AddField
            label="Add a structure"
            first="Add…"
            :offered="structures"
            @add="(id) => set('structures', [...d.structures, id as never], 'Structures')"
          />
        </span>
        <p v-for="c in cautions" :key="c" class="caution">⚠ {{ c }}</p>
      </div>
      <template v-for="end in ['from', 'to'] as const" :key="end">
        <label>
          {{ end === 'from' ? 'From' : 'To' }}
          <select
            :value="d[end] ?? ''"
            @change="set(end, text($event) as never, end === 'from' ? 'Start' : 'End')"
          >
            <option value="">not said</option>
            <option v-for="l in landmarks" :key="l.id" :value="l.id">{{ l.name }}</option>
          </select>
        </label>
        <label>
          In own words
          <input v-typed="d.words[end]" maxlength="200" @change="own(end, text($event))" />
        </label>
      </template>
      <label>
        To the fibre
        <select :value="d.fibre ?? ''" @change="set('fibre', text($event) as never, 'Fibre')">
          <option value="">not said</option>
          <option v-for="f in values.detailFibreValues" :key="f">{{ f }}</option>
        </select>
      </label>
      <label>
        Pace
        <select :value="d.pace ?? ''" @change="set('pace', text($event) as never, 'Pace')">
          <option value="">not said</option>
          <option v-for="f in values.detailPaceValues" :key="f">{{ f }}</option>
        </select>
      </label>
      <label>
        Other hand
        <select :value="d.otherHand ?? ''" @change="set('otherHand', text($event) as never, 'Other hand')">
          <option value="">not said</option>
          <option v-for="h in values.detailOtherHandValues" :key="h" :value="h">{{ word(h) }}</option>
        </select>
      </label>
      <label>
        In own words
        <input v-typed="d.words['other-hand']" maxlength="200" @change="own('other-hand', text($event))" />
      </label>
      <div v-for="l in LISTS" :key="l.key" class="wide">
        <span>{{ l.name }}</span>
        <span class="row">
          <button
            v-for="x in d[l.key]"
            :key="x"
            type="button"
            class="chip"
            @click="set(l.key, D.toggled<string>(d[l.key], x) as never, l.name)"
          >
            {{ word(x) }} <span aria-hidden="true">×</span><span class="sr">, take out</span>
          </button>
          <AddField
            :label="l.first"
            :first="l.first"
            :offered="
              (l.all as readonly string[])
                .filter((x) => !(d[l.key] as string[]).includes(x))
                .map((id) => ({ id, name: word(id) }))
            "
            @add="(id) => set(l.key, [...d[l.key], id] as never, l.name)"
          />
          <input
            v-typed="d.words[l.key]"
            class="grow"
            :aria-label="`${l.name} in own words`"
            placeholder="in own words"
            maxlength="200"
            @change="own(l.key, text($event))"
          />
        </span>
      </div>
      <fieldset class="wide">
        <legend>Client’s part, in order</legend>
        <div v-for="(p, i) in d.part" :key="i" class="part">
          <select
            :value="p.does"
            :aria-label="`Part ${i + 1}`"
            @change="part(i, { does: text($event) as never })"
          >
            <option v-for="x in values.clientPartDoesValues" :key="x" :value="x">{{ word(x) }}</option>
          </select>
          <input
            v-typed="p.times"
            type="number"
            min="1"
            max="50"
            placeholder="times"
            :aria-label="`Times of part ${i + 1}`"
            @change="part(i, { times: num($event) })"
          />
          <input
            v-typed="p.seconds"
            type="number"
            min="1"
            max="600"
            placeholder="s"
            :aria-label="`Seconds of part ${i + 1}`"
            @change="part(i, { seconds: num($event) })"
          />
          <input
            v-typed="p.percent"
            type="number"
            min="1"
            max="100"
            placeholder="%"
            :aria-label="`Strength of part ${i + 1}`"
            @change="part(i, { percent: num($event) })"
          />
          <button
            type="button"
            class="chip"
            :aria-label="`Take part ${i + 1} out`"
            @click="
              set(
                'part',
                d.part.filter((_, k) => k !== i),
                'Client’s part',
              )
            "
          >
            ×
          </button>
        </div>
        <span class="row">
          <button
            type="button"
            class="chip"
            @click="set('part', [...d.part, { does: 'breathes-out' }], 'Client’s part')"
          >
            Add a part
          </button>
          <input
            v-typed="d.words.part"
            class="grow"
            aria-label="Client’s part in own words"
            placeholder="in own words"
            maxlength="200"
            @change="own('part', text($event))"
          />
        </span>
      </fieldset>
      <label>
        Ends when
        <select
          :value="d.end?.when ?? ''"
          @change="set('end', text($event) ? { ...d.end, when: text($event) as never } : undefined, 'End')"
        >
          <option value="">its dose is over</option>
          <option v-for="e in values.endWhenValues" :key="e" :value="e">{{ word(e) }}</option>
        </select>
      </label>
      <label>
        At most, s
        <input
          v-typed="d.end?.capSeconds"
          type="number"
          min="1"
          max="3600"
          :disabled="!d.end"
          placeholder="its dose"
          @change="d.end && set('end', { ...d.end, capSeconds: num($event) }, 'End')"
        />
      </label>
      <fieldset class="wide">
        <legend>Instead, when something comes up</legend>
        <div v-for="(b, i) in d.instead" :key="i" class="branch">
          <select
            :value="b.when"
            :aria-label="`What comes up, ${i + 1}`"
            @change="branch(i, { when: text($event) as never })"
          >
            <option v-for="w in values.branchWhenValues" :key="w" :value="w">{{ word(w) }}</option>
          </select>
          <select
            :value="b.then"
            :aria-label="`What is done then, ${i + 1}`"
            @change="branch(i, { then: text($event) as never })"
          >
            <option v-for="t in values.branchThenValues" :key="t" :value="t">{{ word(t) }}</option>
          </select>
          <button
            type="button"
            class="chip"
            :aria-label="`Take ${i + 1} out`"
            @click="
              set(
                'instead',
                d.instead.filter((_, k) => k !== i),
                'Instead',
              )
            "
          >
            ×
          </button>
          <select
            :value="b.tool ?? ''"
            :aria-label="`Hand then, ${i + 1}`"
            @change="branch(i, { tool: text($event) as never })"
          >
            <option value="">same hand</option>
            <option v-for="t in session.catalogue?.tools" :key="t.id" :value="t.id">{{ t.name }}</option>
          </select>
          <input
            v-typed="b.words"
            maxlength="400"
            placeholder="in own words"
            :aria-label="`In own words, ${i + 1}`"
            @change="branch(i, { words: text($event) })"
          />
        </div>
        <button
          type="button"
          class="chip"
          @click="set('instead', [...d.instead, { when: 'hurts', then: 'broader', zones: [] }], 'Instead')"
        >
          Add what is done instead
        </button>
      </fieldset>
      <fieldset class="wide">
        <legend>Compare</legend>
        <span class="row">
          <button
            v-for="c in values.comparisonWhatValues"
            :key="c"
            type="button"
            class="chip"
            :aria-pressed="!!d.compares?.what.includes(c)"
            @click="compare(c)"
          >
            {{ c }}
          </button>
          <select
            v-if="d.compares"
            :value="d.compares.when"
            aria-label="When it is compared"
            @change="set('compares', { what: d.compares.what, when: text($event) as never }, 'Comparison')"
          >
            <option v-for="w in values.comparisonWhenValues" :key="w" :value="w">
              {{ w === 'between' ? 'between the sides' : w }}
            </option>
          </select>
        </span>
      </fieldset>
      <label class="wide">
        Why
        <input v-typed="d.why" maxlength="400" @change="set('why', text($event), 'Why')" />
      </label>
      <label class="wide">
        Note
        <textarea v-typed="d.note" maxlength="2000" rows="2" @change="set('note', text($event), 'Note')" />
      </label>
      <PictureField :picture="d.picture" @change="set('picture', $event, 'Picture')" />
    </div>
  </details>
</template>

<style scoped src="./form.css"></style>
<style scoped>
.more {
  grid-column: 1 / -1;
  border-top: 1px solid var(--line);
  padding-top: 4px;
}
summary {
  min-height: var(--target);
  display: flex;
  align-items: center;
  font: 650 15px var(--text);
  cursor: pointer;
}
summary::before {
  content: '▸ ';
  white-space: pre;
}
.more[open] summary::before {
  content: '▾ ';
}
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px 10px;
}
label,
.grid > div,
legend {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
  display: block;
  min-width: 0;
}
textarea {
  padding: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.row > select {
  width: auto;
  flex: 1;
  min-width: 110px;
}
.grow {
  flex: 1 1 100%;
}
.part {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 62px 62px 62px 44px;
  gap: 6px;
  margin-bottom: 8px;
}
.branch {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 44px;
  gap: 6px;
  margin-bottom: 10px;
}
.branch > input {
  grid-column: 2 / -1;
}
.caution {
  color: var(--stop);
  margin: 4px 0 0;
}
</style>
