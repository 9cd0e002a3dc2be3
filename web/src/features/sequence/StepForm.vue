<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import * as values from '@/api/schema'
import { useSession } from '@/features/session/useSession'
import { vTyped } from '@/parts/typed'
import AddField from '@/parts/AddField.vue'
import DoseFields from '@/parts/DoseFields.vue'
import HandField from '@/parts/HandField.vue'
import TechniqueField from '@/parts/TechniqueField.vue'
import { capital, word } from '@/parts/words'
import StepDetail from './StepDetail.vue'

type Step = Schema['Step']

/** Every part of one step. Each change is an act of its own. */
const props = defineProps<{
  step: Step
  number: number
  steps: readonly Step[]
  /** What its technique is called. */
  called?: string
}>()
const emit = defineEmits<{ change: [what: string, patch: Partial<Step>] }>()
const session = useSession()

const name = computed(() => `step ${props.number}`)
const set = <K extends keyof Step>(key: K, value: Step[K], what: string) =>
  emit('change', `${what} of ${name.value}`, { [key]: value } as Partial<Step>)
const text = (e: Event) => (e.target as HTMLInputElement).value
const num = (e: Event) => {
  const value = (e.target as HTMLInputElement).valueAsNumber
  return Number.isFinite(value) && value > 0 ? value : undefined
}
function technique(t: Schema['TechniqueWord']) {
  emit('change', `Technique of ${name.value}`, {
    technique: t.id,
    tool: t.tool,
    hand: t.hand,
    depth: t.depth,
    dose: t.dose,
    secondSide: undefined,
    minimumSeconds: undefined,
    targetSeconds: undefined,
  })
}
function zone(id: string) {
  const has = props.step.zones.includes(id as never)
  const zones = has ? props.step.zones.filter((z) => z !== id) : [...props.step.zones, id as never]
  if (zones.length > 0) set('zones', zones, 'Zones')
}
function care(c: Step['care'][number]) {
  const has = props.step.care.includes(c)
  set('care', has ? props.step.care.filter((x) => x !== c) : [...props.step.care, c], 'Care')
}
const say = (i: number, patch: Partial<Schema['Saying']>) =>
  set(
    'say',
    props.step.say.map((s, k) => (k === i ? { ...s, ...patch } : s)),
    'Words',
  )
</script>

<template>
  <div class="form">
    <label class="wide">
      Name
      <input v-typed="step.name" maxlength="200" @change="set('name', text($event) || step.name, 'Name')" />
    </label>
    <label class="wide">
      Technique
      <TechniqueField :technique="step.technique" :name="called" @change="technique" />
    </label>
    <label class="wide">
      Zones
      <span class="zones">
        <button v-for="z in step.zones" :key="z" type="button" class="chip" @click="zone(z)">
          {{ session.zoneName(z) }} <span aria-hidden="true">×</span><span class="sr">, take out</span>
        </button>
        <AddField
          label="Add a zone"
          first="Add…"
          :offered="session.catalogue?.zones.filter((z) => !step.zones.includes(z.id)) ?? []"
          @add="zone"
        />
      </span>
    </label>
    <div class="wide" role="group" aria-label="Depth">
      <span>Depth</span>
      <span class="six">
        <button
          v-for="d in 6"
          :key="d"
          type="button"
          class="chip"
          :aria-pressed="step.depth === d - 1"
          @click="set('depth', d - 1, 'Depth')"
        >
          {{ d - 1 }}
        </button>
      </span>
    </div>
    <label>
      Hand
      <HandField
        :tool="step.tool"
        :hand="step.hand"
        @change="(tool, hand) => emit('change', `Hand of ${name}`, { tool, hand })"
      />
    </label>
    <label>
      Side
      <select :value="step.side" @change="set('side', text($event) as Step['side'], 'Side')">
        <option v-for="s in values.stepSideValues" :key="s">{{ s }}</option>
      </select>
    </label>
    <DoseFields :dose="step.dose" @change="(d) => set('dose', d, 'Dose')" />
    <label class="own">
      <input
        type="checkbox"
        :checked="!!step.secondSide"
        @change="
          set(
            'secondSide',
            ($event.target as HTMLInputElement).checked ? step.dose : undefined,
            'Second side',
          )
        "
      />
      Another dose on the second side
    </label>
    <DoseFields
      v-if="step.secondSide"
      :dose="step.secondSide"
      of="Second side"
      @change="(d) => set('secondSide', d, 'Second side')"
    />
    <label>
      Sheet
      <select :value="step.sheet" @change="set('sheet', text($event) as Step['sheet'], 'Sheet')">
        <option v-for="s in values.stepSheetValues" :key="s">{{ s }}</option>
      </select>
    </label>
    <label>
      Lubricant
      <select
        :value="step.lubricant"
        @change="set('lubricant', text($event) as Step['lubricant'], 'Lubricant')"
      >
        <option v-for="s in values.stepLubricantValues" :key="s">{{ s }}</option>
      </select>
    </label>
    <label>
      Position
      <select :value="step.position" @change="set('position', text($event) as Step['position'], 'Position')">
        <option v-for="s in values.stepPositionValues" :key="s" :value="s">{{ word(s) }}</option>
      </select>
    </label>
    <label>
      Phase
      <select :value="step.phase" @change="set('phase', text($event) as Step['phase'], 'Phase')">
        <option v-for="s in values.stepPhaseValues" :key="s" :value="s">{{ word(s) }}</option>
      </select>
    </label>
    <label>
      Weight
      <select
        :value="step.importance"
        @change="set('importance', text($event) as Step['importance'], 'Weight')"
      >
        <option v-for="s in values.stepImportanceValues" :key="s">{{ s }}</option>
      </select>
    </label>
    <label>
      Least, s a side
      <input
        v-typed="step.minimumSeconds"
        type="number"
        min="1"
        max="3600"
        placeholder="half"
        @change="set('minimumSeconds', num($event), 'Least')"
      />
    </label>
    <label>
      Client’s part
      <select :value="step.effort" @change="set('effort', text($event) as Step['effort'], 'Part')">
        <option v-for="s in values.stepEffortValues" :key="s" :value="s">{{ word(s) }}</option>
      </select>
    </label>
    <label>
      Stroke goes
      <select
        :value="step.direction ?? ''"
        @change="set('direction', (text($event) || undefined) as Step['direction'], 'Direction')"
      >
        <option value="">not said</option>
        <option v-for="s in values.stepDirectionValues" :key="s">{{ s }}</option>
      </select>
    </label>
    <label>
      Stance
      <select :value="step.stance" @change="set('stance', text($event) as Step['stance'], 'Stance')">
        <option v-for="s in values.stepStanceValues" :key="s" :value="s">{{ word(s) }}</option>
      </select>
    </label>
    <label>
      Stands
      <select :value="step.stands" @change="set('stands', text($event) as Step['stands'], 'Place')">
        <option v-for="s in values.stepStandsValues" :key="s" :value="s">{{ word(s) }}</option>
      </select>
    </label>
    <div class="wide">
      <button
        type="button"
        class="chip"
        :aria-pressed="step.care.includes('sheet-secured')"
        @click="care('sheet-secured')"
      >
        sheet secured
      </button>
      <button
        type="button"
        class="chip"
        :aria-pressed="step.care.includes('hands-wiped')"
        @click="care('hands-wiped')"
      >
        hands wiped
      </button>
    </div>
    <fieldset class="wide">
      <legend>Words</legend>
      <div v-for="(s, i) in step.say" :key="i" class="say">
        <select
          :value="s.kind"
          :aria-label="`Kind of words ${i + 1}`"
          @change="say(i, { kind: text($event) as Schema['Saying']['kind'] })"
        >
          <option v-for="k in values.sayingKindValues" :key="k" :value="k">{{ capital(word(k)) }}</option>
        </select>
        <input
          v-typed="s.atSeconds"
          type="number"
          min="0"
          max="3600"
          class="at"
          :aria-label="`Second of words ${i + 1}`"
          @change="say(i, { atSeconds: Math.max(0, Number(text($event)) || 0) })"
        />
        <button
          type="button"
          class="chip"
          :aria-label="`Take words ${i + 1} out`"
          @click="
            set(
              'say',
              step.say.filter((_, k) => k !== i),
              'Words',
            )
          "
        >
          ×
        </button>
        <input
          v-typed="s.words"
          class="words"
          maxlength="400"
          :aria-label="`Words ${i + 1}`"
          @change="say(i, { words: text($event) || undefined })"
        />
      </div>
      <button
        type="button"
        class="chip"
        @click="set('say', [...step.say, { kind: 'pressure-question', atSeconds: 0 }], 'Words')"
      >
        Add words
      </button>
    </fieldset>
    <StepDetail
      :detail="step.detail"
      :zones="step.zones"
      @change="(what, detail) => set('detail', detail, what)"
    />
    <label class="wide">
      Must not come after
      <AddField
        label="Link a later step"
        first="Link a later step…"
        :offered="steps.filter((x) => x.id !== step.id && !step.before.includes(x.id))"
        @add="(id) => set('before', [...step.before, id], 'Links')"
      />
      <span class="zones">
        <button
          v-for="b in step.before"
          :key="b"
          type="button"
          class="chip"
          @click="
            set(
              'before',
              step.before.filter((x) => x !== b),
              'Links',
            )
          "
        >
          before {{ steps.find((x) => x.id === b)?.name ?? b }} ×
        </button>
      </span>
    </label>
  </div>
</template>

<style scoped src="./form.css"></style>
<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 10px;
  width: 100%;
}
label,
.form > div {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
  display: block;
  min-width: 0;
}
.pair {
  display: grid !important;
  grid-auto-flow: column;
  gap: 8px;
}
.six,
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.zones select {
  width: auto;
  flex: 1;
  min-width: 90px;
}
.say {
  display: grid;
  grid-template-columns: 1fr 70px 44px;
  gap: 6px;
  margin-bottom: 8px;
}
.words {
  grid-column: 1 / -1;
}
</style>
