<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import * as values from '@/api/schema'
import { useSession } from '@/features/session/useSession'
import { vTyped } from '@/parts/typed'
import AddField from '@/parts/AddField.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import DoseFields from '@/parts/DoseFields.vue'
import HandField from '@/parts/HandField.vue'
import TechniqueField from '@/parts/TechniqueField.vue'
import SayFields from './SayFields.vue'
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
</script>

<template>
  <div class="form">
    <label class="wide">
      Name
      <input v-typed="step.name" maxlength="200" @change="set('name', text($event) || step.name, 'Name')" />
    </label>
    <TechniqueField
      class="wide"
      label="Technique"
      :technique="step.technique"
      :name="called"
      @change="technique"
    />
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
    <HandField
      :tool="step.tool"
      :hand="step.hand"
      @change="(tool, hand) => emit('change', `Hand of ${name}`, { tool, hand })"
    />
    <ChoiceField
      label="Side"
      :model-value="step.side"
      :options="values.stepSideValues"
      @update:model-value="(v) => set('side', v!, 'Side')"
    />
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
    <ChoiceField
      label="Sheet"
      :model-value="step.sheet"
      :options="values.stepSheetValues"
      @update:model-value="(v) => set('sheet', v!, 'Sheet')"
    />
    <ChoiceField
      label="Lubricant"
      :model-value="step.lubricant"
      :options="values.stepLubricantValues"
      @update:model-value="(v) => set('lubricant', v!, 'Lubricant')"
    />
    <ChoiceField
      label="Position"
      :model-value="step.position"
      :options="values.stepPositionValues"
      @update:model-value="(v) => set('position', v!, 'Position')"
    />
    <ChoiceField
      label="Phase"
      :model-value="step.phase"
      :options="values.stepPhaseValues"
      @update:model-value="(v) => set('phase', v!, 'Phase')"
    />
    <ChoiceField
      label="Weight"
      :model-value="step.importance"
      :options="values.stepImportanceValues"
      @update:model-value="(v) => set('importance', v!, 'Weight')"
    />
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
    <ChoiceField
      label="Client’s part"
      :model-value="step.effort"
      :options="values.stepEffortValues"
      @update:model-value="(v) => set('effort', v!, 'Part')"
    />
    <ChoiceField
      label="Stroke goes"
      :model-value="step.direction"
      :options="values.stepDirectionValues"
      none="not said"
      @update:model-value="(v) => set('direction', v, 'Direction')"
    />
    <ChoiceField
      label="Stance"
      :model-value="step.stance"
      :options="values.stepStanceValues"
      @update:model-value="(v) => set('stance', v!, 'Stance')"
    />
    <ChoiceField
      label="Stands"
      :model-value="step.stands"
      :options="values.stepStandsValues"
      @update:model-value="(v) => set('stands', v!, 'Place')"
    />
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
    <SayFields :say="step.say" @change="(say) => set('say', say, 'Words')" />
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
</style>
