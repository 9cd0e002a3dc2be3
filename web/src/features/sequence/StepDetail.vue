<script setup lang="ts">
import * as values from '@/api/schema'
import { computed } from 'vue'
import { useSession } from '@/features/session/useSession'
import { vTyped } from '@/parts/typed'
import AddField from '@/parts/AddField.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { word } from '@/parts/words'
import * as D from './detail'
import InsteadFields from './InsteadFields.vue'
import PartFields from './PartFields.vue'
import PictureField from './PictureField.vue'

/** What else is said of a step: folded away, and all of it optional. */
const props = defineProps<{ detail?: D.Detail; zones: readonly string[] }>()
const emit = defineEmits<{ change: [what: string, detail: D.Detail | undefined] }>()
const session = useSession()
const d = computed(() => props.detail ?? D.nothing())
const set = <K extends keyof D.Detail>(key: K, value: D.Detail[K], what: string) =>
  emit('change', what, D.changed(props.detail, key, value))
const text = (e: Event) => (e.target as HTMLInputElement).value.trim() || undefined
const num = D.positive
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
function compare(what: (typeof values.comparisonWhatValues)[number]) {
  const all = D.toggled(d.value.compares?.what ?? [], what)
  set(
    'compares',
    all.length ? { what: all, when: d.value.compares?.when ?? 'before' } : undefined,
    'Comparison',
  )
}
const WHEN = values.comparisonWhenValues.map((id) => ({
  id,
  name: id === 'between' ? 'between the sides' : id,
}))
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
        <ChoiceField
          :label="end === 'from' ? 'From' : 'To'"
          :model-value="d[end]"
          :options="landmarks"
          none="not said"
          @update:model-value="(v) => set(end, v as never, end === 'from' ? 'Start' : 'End')"
        />
        <label>
          In own words
          <input v-typed="d.words[end]" maxlength="200" @change="own(end, text($event))" />
        </label>
      </template>
      <ChoiceField
        label="To the fibre"
        :model-value="d.fibre"
        :options="values.detailFibreValues"
        none="not said"
        @update:model-value="(v) => set('fibre', v, 'Fibre')"
      />
      <ChoiceField
        label="Pace"
        :model-value="d.pace"
        :options="values.detailPaceValues"
        none="not said"
        @update:model-value="(v) => set('pace', v, 'Pace')"
      />
      <ChoiceField
        label="Other hand"
        :model-value="d.otherHand"
        :options="values.detailOtherHandValues"
        none="not said"
        @update:model-value="(v) => set('otherHand', v, 'Other hand')"
      />
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
      <PartFields
        :part="d.part"
        :words="d.words.part"
        @change="(all) => set('part', all, 'Client’s part')"
        @words="(v) => own('part', v)"
      />
      <ChoiceField
        label="Ends when"
        :model-value="d.end?.when"
        :options="values.endWhenValues"
        none="its dose is over"
        @update:model-value="(when) => set('end', when && { ...d.end, when }, 'End')"
      />
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
      <InsteadFields :instead="d.instead" @change="(all) => set('instead', all, 'Instead')" />
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
          <ChoiceField
            v-if="d.compares"
            bare
            label="When it is compared"
            :model-value="d.compares.when"
            :options="WHEN"
            @update:model-value="
              (when) => set('compares', { what: d.compares!.what, when: when! }, 'Comparison')
            "
          />
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
.row > select,
.row > .choice {
  width: auto;
  flex: 1;
  min-width: 110px;
}
.grow {
  flex: 1 1 100%;
}
.caution {
  color: var(--stop);
  margin: 4px 0 0;
}
</style>
