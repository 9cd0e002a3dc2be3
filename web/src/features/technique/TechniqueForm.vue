<script setup lang="ts">
import { reactive, watch } from 'vue'
import type { Schema } from '@/api/client'
import * as values from '@/api/schema'
import { useSession } from '@/features/session/useSession'
import DoseFields from '@/parts/DoseFields.vue'
import HandField from '@/parts/HandField.vue'
import ChoiceField from '@/parts/ChoiceField.vue'

type Technique = Schema['Technique']

/** How the school does a technique. What one that ships is to the rules stays; of the school's own everything may change. */
const props = defineProps<{ of: Schema['TechniqueView']; seen: boolean }>()
const emit = defineEmits<{
  see: [edit: Schema['TechniqueEdit']]
  /** Something was typed: what was seen is out of date. */
  changed: []
}>()
const session = useSession()
const SAID = { hold: 'a hold', pass: 'a pass', whole: 'in all' } as const
const COUNTED = values.windowPerValues.map((id) => ({ id, name: SAID[id] }))

const form = reactive({
  name: '',
  aliases: '',
  stroke: 'effleurage' as Technique['stroke'],
  tool: 'palm' as Technique['tool'],
  hand: undefined as string | undefined,
  depth: 0,
  dose: { kind: 'seconds', seconds: 60 } as Schema['Dose'],
  bound: false,
  per: 'whole' as Schema['Window']['per'],
  least: 0,
  most: undefined as number | undefined,
  effort: 'passive' as Technique['effort'],
  strong: false,
  caution: '',
  topics: [] as Technique['topics'],
})
watch(
  () => props.of,
  ({ technique: t }) =>
    Object.assign(form, {
      name: t.name,
      aliases: t.aliases.join(', '),
      stroke: t.stroke,
      tool: t.tool,
      hand: t.hand,
      depth: t.depth,
      dose: t.dose,
      bound: !!t.window,
      per: t.window?.per ?? 'whole',
      least: t.window?.least ?? 0,
      most: t.window?.most,
      effort: t.effort,
      strong: t.strong,
      caution: t.caution ?? '',
      topics: [...(t.topics ?? [])],
    }),
  { immediate: true },
)
watch(form, () => emit('changed'))
function edit(): Schema['TechniqueEdit'] {
  const most = Number(form.most) || undefined
  return {
    from: props.of.version,
    name: form.name,
    aliases: form.aliases
      .split(',')
      .map((a) => a.trim())
      .filter(Boolean),
    tool: form.tool,
    hand: form.hand ?? '',
    depth: form.depth,
    dose: form.dose,
    ...(form.bound ? { window: { per: form.per, least: Number(form.least) || 0, most } } : { unbound: true }),
    caution: form.caution,
    topics: form.topics,
    ...(props.of.ships ? {} : { stroke: form.stroke, effort: form.effort, strong: form.strong }),
  }
}
function topic(id: Technique['topics'][number]) {
  form.topics = form.topics.includes(id) ? form.topics.filter((t) => t !== id) : [...form.topics, id]
}
</script>

<template>
  <form aria-label="This school’s way" @submit.prevent="emit('see', edit())">
    <h3>{{ of.ships ? 'This school’s way' : 'This school’s own technique' }}</h3>
    <label>Name <input v-model="form.name" maxlength="200" required /></label>
    <label>Also called, with commas <input v-model="form.aliases" name="aliases" /></label>
    <div v-if="!of.ships" class="three">
      <ChoiceField v-model="form.stroke" label="Stroke" :options="session.catalogue?.strokes" />
      <ChoiceField v-model="form.effort" label="Client’s part" :options="values.techniqueEffortValues" />
    </div>
    <label v-if="!of.ships" class="tick"
      ><input v-model="form.strong" type="checkbox" /> Strong or unusual: announced before it starts</label
    >
    <div class="three">
      <HandField
        :tool="form.tool"
        :hand="form.hand"
        @change="(t, h) => Object.assign(form, { tool: t, hand: h })"
      />
      <label>Depth <input v-model.number="form.depth" type="number" min="0" max="5" /></label>
    </div>
    <DoseFields :dose="form.dose" @change="(d) => (form.dose = d)" />
    <label class="tick"
      ><input v-model="form.bound" type="checkbox" /> Its doses keep to a window of this school’s own</label
    >
    <div v-if="form.bound" class="window">
      <label>At least, s <input v-model.number="form.least" type="number" min="0" max="3600" /></label>
      <label>At most, s <input v-model.number="form.most" type="number" min="1" max="3600" /></label>
      <ChoiceField v-model="form.per" label="Counted" :options="COUNTED" />
    </div>
    <label class="wide">Caution <input v-model="form.caution" maxlength="500" /></label>
    <div class="scope" role="group" aria-label="What it touches that may be beyond scope">
      <span>May be beyond scope</span>
      <button
        v-for="t in session.catalogue?.topics"
        :key="t.id"
        type="button"
        class="push"
        :class="{ main: form.topics.includes(t.id) }"
        :aria-pressed="form.topics.includes(t.id)"
        @click="topic(t.id)"
      >
        {{ t.name }}
      </button>
    </div>
    <button class="push" :class="{ main: !seen }">See what it touches</button>
  </form>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px 16px;
  align-items: end;
}
h3,
.wide,
.scope {
  grid-column: 1 / -1;
}
.three,
.window {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
}
@media (max-width: 1000px) {
  form {
    grid-template-columns: minmax(0, 1fr);
  }
}
.window {
  grid-template-columns: repeat(3, minmax(0, 1fr));
}
.scope {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.scope span {
  width: 100%;
  font-weight: 600;
  font-size: 14px;
}
.scope .push {
  font-size: 14px;
}
label {
  display: flex;
  flex-direction: column;
  gap: 2px;
  font-weight: 600;
  font-size: 14px;
  min-width: 0;
}
.tick {
  flex-direction: row;
  align-items: center;
  gap: 8px;
  min-height: var(--target);
}
.tick input {
  width: 22px;
  min-height: 22px;
}
label > input:not([type='checkbox']) {
  width: 100%;
}
</style>
