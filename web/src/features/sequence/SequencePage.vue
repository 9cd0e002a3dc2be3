<script setup lang="ts">
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { byOtherRules } from '@/core/pageCore'
import { usePageCore } from '@/core/usePageCore'
import { useSession } from '@/features/session/useSession'
import StepSeen from '@/parts/StepSeen.vue'
import Tabs from '@/parts/Tabs.vue'
import { usePhone } from '@/parts/usePhone'
import VersionedEditor from '@/parts/VersionedEditor.vue'
import { capital, mmss } from '@/parts/words'
import AddLine from './AddLine.vue'
import BlockForm from './BlockForm.vue'
import { cautionsOf } from './cautions'
import ChecksPanel from './ChecksPanel.vue'
import FitPanel from './FitPanel.vue'
import StepActs from './StepActs.vue'
import StepForm from './StepForm.vue'
import StepList from './StepList.vue'
import StepOnStrip from './StepOnStrip.vue'
import StepReach from './StepReach.vue'
import { useDraft } from './useDraft'
import { usePicked, type Picking } from './usePicked'
import { useSeen } from './useSeen'
import { useStepActs } from './useStepActs'
import { useStepKeys } from './useStepKeys'
import { useStripOf } from './useStripOf'
import VersionsPanel from './VersionsPanel.vue'

/** A sequence is written here: strip, steps and checks together, each act undone by one key. */
const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const profile = ref<string>()
/** Whose body it is for: their notes are checked too. */
const client = ref<string>()
usePageCore()
const draft = useDraft(
  props.id,
  () => profile.value,
  () => client.value,
)
const { sequence, plan, view, busy, dirty } = draft
watch([profile, client], () => void draft.check())
// What was judged by older rules is judged anew once the server can be asked: it comes back without a word where it was only restarted.
const anew = () => void (byOtherRules.value && draft.check())
useEventListener(window, 'online', anew)
useIntervalFn(anew, 5_000)
const { data: people } = useAsked(async () =>
  session.term
    ? ask(api.GET('/api/terms/{term}/people', { params: { path: { term: session.term.id } } }))
    : [],
)
const { data: profiles } = useAsked(() => ask(api.GET('/api/profiles')))
const { lines: versions, more, earlier } = draft.history
const opened = ref<Schema['VersionView']>()

const list = ref<InstanceType<typeof StepList>>()
const adder = ref<InstanceType<typeof AddLine>>()
const keys = ref(false)
const picked = usePicked(sequence, list)
const { steps, step, chosen, number, said } = picked
const acts = useStepActs(draft, picked, list)
useStepKeys(picked, acts, {
  add: () => adder.value?.focus(),
  keys: () => (keys.value = !keys.value),
})
const { strip, flagged, span, hovered, looked, pickMoment } = useStripOf(draft.judged, plan, picked)
/** As the text has it; one that was added since it was asked for stands in the library. */
const technique = computed(() => {
  const id = step.value?.technique
  return sequence.value?.techniques?.find((t) => t.id === id) ?? (id ? session.techniques.get(id) : undefined)
})
const block = computed(() => sequence.value?.blocks.find((b) => b.steps.some((s) => s.id === step.value?.id)))
const cautions = computed(() => cautionsOf(session, step.value, technique.value))

const PANELS = ['checks', 'see', 'step', 'fit', 'versions'] as const
/** On a phone the list and the strip take their turn with the panels. */
const phone = usePhone()
const tab = ref<(typeof PANELS)[number] | 'steps' | 'strip'>(phone.value ? 'steps' : 'checks')
watch(phone, (now) => (tab.value = now ? 'steps' : 'checks'))
const tabs = computed(() =>
  [...(phone.value ? (['steps', 'strip'] as const) : []), ...PANELS].map((value) => ({
    value,
    name: value === 'checks' ? `Checks ${plan.value?.findings.length ?? ''}` : capital(value),
  })),
)
const inTurn = (which: 'steps' | 'strip') => !phone.value || tab.value === which

/** Drawn only where it is looked at: a phone in the steps has nothing of it in sight. */
const seen = useSeen(() => ({
  sequence: draft.judged.value,
  span: phone.value && tab.value !== 'strip' && tab.value !== 'see' ? undefined : looked.value.span,
  profile: profile.value,
}))

function pick(id: string, how: Picking) {
  // On a phone a second touch of a step opens it.
  if (phone.value && how === 'one' && tab.value === 'steps' && step.value?.id === id) tab.value = 'step'
  picked.pick(id, how)
}
const blockOpened = ref(false)
/** A block is changed where its first step is. */
function openBlock(id: string) {
  const first = sequence.value?.blocks.find((b) => b.id === id)?.steps[0]
  if (!first) return
  picked.pick(first.id)
  tab.value = 'step'
  blockOpened.value = true
}
function added(what: string, fresh: Schema['Step'][]) {
  acts.add(what, fresh)
  void nextTick(() => adder.value?.focus())
}
function openFinding({ finding }: Schema['CheckView']) {
  if (finding.where.step) picked.pick(finding.where.step)
  else if (finding.where.atMs !== undefined) pickMoment(finding.where.atMs / 1000)
}
async function openVersion(version: number) {
  opened.value = await draft.during(() =>
    ask(api.GET('/api/sequences/{id}/versions/{version}', { params: { path: { id: props.id, version } } })),
  )
}
function backTo(v: Schema['VersionView']) {
  draft.act(`Back to version ${v.version}`, v.sequence)
  opened.value = undefined
}
async function show() {
  if (dirty.value && !(await draft.save())) return
  const d = await draft.during(() =>
    ask(api.POST('/api/sequences/{id}/demonstrations', { params: { path: { id: props.id } }, body: {} })),
  )
  if (d) await router.push(`/show/${d.id}`)
}
async function saveCopy() {
  const id = await draft.saveCopy()
  if (id) await router.push(`/plan/${id}`)
}
</script>

<template>
  <VersionedEditor
    :draft="draft"
    :name="sequence?.name ?? ''"
    :said="sequence ? session.regionName(sequence.region) : ''"
    :saves="session.plans"
    back="/plan"
    back-label="Back to all sequences"
  >
    <template v-if="sequence && plan" #head>
      <span class="fit">
        <strong>{{ mmss(plan.totalSeconds) }}</strong>
        <span class="soft"> of {{ mmss(sequence.slotSeconds) }}</span>
        <span class="bar"
          ><span
            :class="{ over: plan.totalSeconds > sequence.slotSeconds }"
            :style="{ width: Math.min(100, (100 * plan.totalSeconds) / sequence.slotSeconds) + '%' }"
        /></span>
      </span>
    </template>
    <template #acts>
      <button class="push main" :disabled="busy" @click="show">Show it</button>
    </template>
    <template #theirs>
      <button class="push" @click="saveCopy">Save yours as a copy</button>
    </template>
    <template v-if="sequence && plan && strip">
      <Tabs v-if="phone" v-model="tab" :tabs="tabs" label="Of this sequence" />
      <div class="work">
        <StepActs v-show="inTurn('steps')" v-model:keys="keys" class="acts" :acts="acts" :said="said" />
        <div v-show="inTurn('steps')" class="card steps">
          <AddLine
            ref="adder"
            :sequence="sequence"
            :after="step?.id"
            :profile="profile"
            @leave="step && list?.focus(step.id)"
            @steps="added"
            @again="(made) => acts.edit('Read the line again', made.id, made)"
            @blocks="acts.lay"
          />
          <StepList
            ref="list"
            :sequence="sequence"
            :picked="step?.id"
            :chosen="chosen"
            :flagged="flagged"
            @pick="pick"
            @move="acts.dropAt"
            @block="openBlock"
          />
        </div>
        <StepOnStrip
          v-if="inTurn('strip')"
          v-model:hovered="hovered"
          class="upper"
          :strip="strip"
          :seen="seen"
          :step="step"
          :number="step ? number(step.id) : 0"
          :span="span"
          :looked="looked.step?.name"
          :cautions="cautions"
          @pick="picked.pickSpan"
          @move="acts.dropAt"
        />
        <section v-show="!phone || (tab !== 'steps' && tab !== 'strip')" class="card says">
          <Tabs v-if="!phone" v-model="tab" :tabs="tabs" label="Of this sequence" />
          <div v-if="tab === 'checks'" role="tabpanel" aria-label="What the checks say" class="panel">
            <ChecksPanel
              v-model:profile="profile"
              v-model:client="client"
              :sequence="sequence"
              :findings="plan.findings"
              :number="number"
              :busy="busy"
              :profiles="profiles"
              :people="people"
              @act="draft.act"
              @open="openFinding"
              @mend="(f) => draft.mend(f.finding, f.mend!)"
            />
          </div>
          <div
            v-else-if="tab === 'see' && step"
            role="tabpanel"
            aria-label="What it looks like"
            class="panel"
          >
            <h2>{{ number(looked.step?.id ?? step.id) }} {{ (looked.step ?? step).name }}</h2>
            <StepSeen :picture="seen" :name="(looked.step ?? step).name" :side="looked.span?.side ?? ''" />
            <StepReach v-if="seen" :picture="seen" />
          </div>
          <div v-else-if="tab === 'step' && step" role="tabpanel" aria-label="Step" class="panel">
            <h2>{{ number(step.id) }} {{ step.name }}</h2>
            <p v-if="technique?.aliases.length" class="soft small">
              {{ technique.name }}, also called {{ technique.aliases.join(', ') }}
            </p>
            <p v-for="c in cautions" :key="c" class="caution">⚠ {{ c }}</p>
            <BlockForm
              v-if="block"
              :block="block"
              :first="block === sequence.blocks[0]"
              :opened="blockOpened"
              @change="(patch) => acts.editBlock(block!.id, patch)"
              @join="acts.joinBlocks(block.steps[0]!.id)"
            />
            <StepForm
              :key="step.id"
              :step="step"
              :number="number(step.id)"
              :steps="steps"
              :called="technique?.name"
              @change="(what, patch) => acts.edit(what, step!.id, patch)"
            />
          </div>
          <div v-else-if="tab === 'fit'" role="tabpanel" aria-label="Fit to the slot" class="panel">
            <FitPanel :sequence="sequence" :profile="profile" @take="draft.act" />
          </div>
          <div v-else-if="tab === 'versions'" role="tabpanel" aria-label="Versions" class="panel">
            <VersionsPanel
              :versions="versions"
              :opened="opened"
              :now="view!.version"
              :more="more"
              @open="openVersion"
              @back="backTo"
              @earlier="earlier"
            />
          </div>
        </section>
      </div>
    </template>
  </VersionedEditor>
</template>

<style scoped src="./sequencePage.css"></style>
