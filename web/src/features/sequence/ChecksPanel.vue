<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { byOtherRules } from '@/core/pageCore'
import { useSession } from '@/features/session/useSession'
import { capital } from '@/parts/words'
import FindingPile from './FindingPile.vue'
import HandoutLinks from './HandoutLinks.vue'
import MendAllPanel from './MendAllPanel.vue'
import { piled, pileKey } from './piles'
import ChoiceField from '@/parts/ChoiceField.vue'

/** What the checks say, by which profile and for whose body, and where the sequence goes from here. */
const props = defineProps<{
  sequence: Schema['Sequence']
  findings: Schema['CheckView'][]
  /** Number of a step in the list. */
  number: (step: string) => number
  busy: boolean
  profiles?: Schema['ProfileView'][]
  /** Whose notes it can be held to. */
  people?: Schema['Person'][]
}>()
const emit = defineEmits<{
  act: [what: string, after: Schema['Sequence']]
  open: [finding: Schema['CheckView']]
  mend: [finding: Schema['CheckView']]
}>()
/** By which profile it is judged; the school's where none is chosen. */
const profile = defineModel<string | undefined>('profile')
/** Whose notes are checked too. */
const client = defineModel<string | undefined>('client')
const session = useSession()

type ForWhom = Schema['ForWhomWord']['id']
const whomName = (id: string) => session.catalogue?.forWhom?.find((w) => w.id === id)?.name ?? id
/** For anybody, for such bodies as the plan is written for, or checked for one body besides. */
const whoms = computed(() => [
  {
    group: 'A plan for',
    options: (session.catalogue?.forWhom ?? []).map((w) => ({ id: `for ${w.id}`, name: capital(w.name) })),
  },
  { group: 'The notes of', options: props.people ?? [] },
])
function meant(value = '') {
  const [kind, id] = value.split(' ') as ['for', ForWhom] | [string, undefined]
  const { sequence } = props
  client.value = value && kind !== 'for' ? value : undefined
  if (value === '' && sequence.forWhom?.length) emit('act', 'For anybody', { ...sequence, forWhom: [] })
  if (id)
    emit('act', `For ${whomName(id)}`, {
      ...sequence,
      forWhom: [...new Set([...(sequence.forWhom ?? []), id])],
    })
}
const notFor = (id: ForWhom) =>
  emit('act', `Not for ${whomName(id)}`, {
    ...props.sequence,
    forWhom: props.sequence.forWhom?.filter((w) => w !== id),
  })

/** Whether all mends are looked at together. */
const mending = ref(false)
const mendable = computed(() => props.findings.filter((f) => f.mend).length)
function mended(what: string, after: Schema['Sequence']) {
  mending.value = false
  emit('act', what, after)
}
</script>

<template>
  <div class="chosen">
    <ChoiceField
      v-model="profile"
      class="field"
      label="By"
      heard="School profile"
      none="the school’s profile"
      :options="profiles?.map((p) => p.profile)"
    />
    <ChoiceField
      class="field"
      label="For"
      heard="For whom"
      title="Held to what such a body must be spared"
      none="anybody"
      :model-value="client ?? (sequence.forWhom?.[0] && `for ${sequence.forWhom[0]}`)"
      :options="whoms"
      @update:model-value="meant"
    />
  </div>
  <p v-if="byOtherRules" class="soft" role="status">
    So far, by older rules: the server does not answer, and it judges by newer ones than this page.
  </p>
  <p v-if="findings.length === 0" class="soft">
    Nothing: warmed, in order, within its ceilings and its slot.
  </p>
  <p v-if="sequence.forWhom?.length" class="whom">
    For
    <button
      v-for="w in sequence.forWhom"
      :key="w"
      class="push"
      :aria-label="`Not for ${whomName(w)}`"
      @click="notFor(w)"
    >
      {{ whomName(w) }} ×
    </button>
  </p>
  <button v-if="mendable > 1 && !mending" class="push main" @click="mending = true">
    Mend all {{ mendable }}…
  </button>
  <MendAllPanel
    v-if="mending"
    :sequence="sequence"
    :profile="profile"
    :client="client"
    @take="mended"
    @leave="mending = false"
  />
  <FindingPile
    v-for="pile in mending ? [] : piled(findings)"
    :key="pileKey(pile)"
    :findings="pile"
    :number="number"
    :busy="busy"
    @open="(f) => emit('open', f)"
    @mend="(f) => emit('mend', f)"
  />
  <p class="law">{{ session.catalogue?.law }}</p>
  <p class="files">
    <a class="push" :href="`/api/sequences/${sequence.id}/file`" download>Save as a file</a>
    <a class="push" :href="`/api/sequences/${sequence.id}/steps`" download>Steps for a spreadsheet</a>
    <HandoutLinks :id="sequence.id" />
    <router-link class="push" :to="`/term?sequence=${sequence.id}`">Put it in the term</router-link>
  </p>
</template>

<style scoped>
.chosen,
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.chosen {
  width: 100%;
}
.chosen .field {
  display: flex;
  gap: 8px;
  align-items: center;
  flex: 1 1 210px;
  min-width: 0;
  font-weight: 400;
}
.whom {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
</style>
