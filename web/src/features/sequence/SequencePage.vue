<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import Strip from '@/parts/Strip.vue'
import TableFigure from '@/parts/TableFigure.vue'
import { stepsOf, stripOf } from '@/parts/strip'
import { capital, doseWords, mmss, word } from '@/parts/words'

const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const profile = ref<string>()
const {
  data: view,
  problem,
  loading,
  again,
} = useAsked(() =>
  ask(
    api.GET('/api/sequences/{id}', { params: { path: { id: props.id }, query: { profile: profile.value } } }),
  ),
)
const { data: profiles } = useAsked(() => ask(api.GET('/api/profiles')))
const picked = ref<string>()
const failed = ref<Problem>()
const busy = ref(false)
/** Versions to go back to, newest last: undo restores the one before a change, redo the one that was undone. */
const undo = ref<number[]>([])
const redo = ref<number[]>([])

const steps = computed(() => (view.value ? stepsOf(view.value.sequence) : []))
const flagged = computed(
  () => new Set(view.value?.plan.findings.map((f) => f.finding.where.step).filter(Boolean)),
)
const strip = computed(
  () =>
    view.value &&
    stripOf(
      view.value.sequence,
      view.value.plan.spans,
      view.value.plan.totalSeconds,
      (id) => flagged.value.has(id),
      (tool) => session.pointedTools.has(tool),
    ),
)
const span = computed(
  () =>
    view.value?.plan.spans.find((s) => `${s.step}/${s.side}` === picked.value) ?? view.value?.plan.spans[0],
)
const step = computed(() => steps.value.find((s) => s.id === span.value?.step))
const technique = computed(() => (step.value ? session.techniques.get(step.value.technique) : undefined))
const cautions = computed(() => {
  const all: string[] = []
  if (technique.value?.caution) all.push(technique.value.caution)
  step.value?.zones.forEach((z) => {
    const zone = session.zones.get(z)
    if (zone?.caution)
      all.push(
        `${zone.name}: ${zone.caution}, depth ${zone.ceilingLow === zone.ceilingHigh ? zone.ceilingLow : `${zone.ceilingLow}–${zone.ceilingHigh}`} at most${zone.broadOnly ? ', broad tools' : ''}.`,
      )
  })
  return all
})

async function change(call: () => Promise<Schema['SequenceView']>) {
  busy.value = true
  failed.value = undefined
  try {
    view.value = await call()
  } catch (e) {
    failed.value = e as Problem
  } finally {
    busy.value = false
  }
}
const path = computed(() => ({ path: { id: props.id }, query: { profile: profile.value } }))
function mend(key: string) {
  const from = view.value!.version
  return change(async () => {
    const next = await ask(api.POST('/api/sequences/{id}/mend', { params: path.value, body: { from, key } }))
    undo.value.push(from)
    redo.value = []
    return next
  })
}
function back(stack: 'undo' | 'redo') {
  const [here, there] = stack === 'undo' ? [undo, redo] : [redo, undo]
  const version = here.value.at(-1)
  if (version === undefined) return
  const from = view.value!.version
  return change(async () => {
    const next = await ask(
      api.POST('/api/sequences/{id}/restore', { params: path.value, body: { from, version } }),
    )
    here.value.pop()
    there.value.push(from)
    return next
  })
}
onKeyStroke('z', (e) => {
  if (!(e.ctrlKey || e.metaKey) || e.target instanceof HTMLInputElement) return
  e.preventDefault()
  void back(e.shiftKey ? 'redo' : 'undo')
})
function pickStep(id: string) {
  const s = view.value?.plan.spans.find((x) => x.step === id)
  if (s) picked.value = `${s.step}/${s.side}`
}
async function show() {
  busy.value = true
  try {
    const d = await ask(
      api.POST('/api/sequences/{id}/demonstrations', { params: { path: { id: props.id } } }),
    )
    await router.push(`/show/${d.id}`)
  } catch (e) {
    failed.value = e as Problem
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !view" @again="again" />
    <template v-if="view && strip">
      <div class="top">
        <router-link to="/plan" class="push" aria-label="Back to all sequences">←</router-link>
        <div>
          <h1>{{ view.sequence.name }}</h1>
          <span class="soft"
            >{{ session.regionName(view.sequence.region) }} · {{ word(steps[0]?.position ?? '') }} · version
            {{ view.version }}</span
          >
        </div>
        <span class="grow" />
        <label class="prof">
          <span class="sr">Judged by</span>
          <select v-model="profile" aria-label="School profile" @change="again">
            <option :value="undefined">School’s profile</option>
            <option v-for="p in profiles" :key="p.profile.id" :value="p.profile.id">
              {{ p.profile.name }}
            </option>
          </select>
        </label>
        <span class="fit">
          <strong>{{ mmss(view.plan.totalSeconds) }}</strong>
          <span class="soft"> of {{ mmss(view.plan.slotSeconds) }}</span>
          <span class="bar"
            ><span
              :class="{ over: view.plan.totalSeconds > view.plan.slotSeconds }"
              :style="{ width: Math.min(100, (100 * view.plan.totalSeconds) / view.plan.slotSeconds) + '%' }"
          /></span>
        </span>
        <button class="push" :disabled="undo.length === 0 || busy" @click="back('undo')">Undo</button>
        <button class="push" :disabled="redo.length === 0 || busy" @click="back('redo')">Redo</button>
        <button class="push main" :disabled="busy" @click="show">Show it</button>
      </div>
      <div v-if="failed" class="card bad" role="alert">
        <p>{{ failed.detail }}</p>
        <button class="push" @click="(again(), (failed = undefined))">Read it again</button>
      </div>
      <div class="upper">
        <div class="card fig">
          <TableFigure
            :position="step?.position"
            :open="span?.open"
            :working="
              step && span
                ? { zones: step.zones, side: span.side, through: step.sheet === 'through' }
                : undefined
            "
          />
        </div>
        <div class="right">
          <Strip
            :model="strip"
            :picked="span ? `${span.step}/${span.side}` : undefined"
            :playhead="span?.start"
            @pick="picked = $event"
          />
          <div v-if="step && span" class="card now">
            <div>
              <strong>{{ step.name }}</strong>
              <span class="soft">
                · {{ span.side === 'midline' ? '' : span.side + ' · ' }}{{ technique?.name
                }}{{ technique?.aliases.length ? ` (also: ${technique.aliases.join(', ')})` : '' }}</span
              >
            </div>
            <div class="soft">
              {{ mmss(span.start) }}–{{ mmss(span.end) }} · {{ session.toolName(step.tool) }} ·
              {{ step.zones.map(session.zoneName).join(', ') }}
              <template v-for="s in step.say" :key="s.kind + s.atSeconds">
                · “{{ s.words ?? word(s.kind) }}”</template
              >
            </div>
            <div v-for="c in cautions" :key="c" class="caution">⚠ {{ c }}</div>
          </div>
        </div>
      </div>
      <div class="lower">
        <div class="card steps">
          <table class="lines">
            <thead>
              <tr>
                <th></th>
                <th>Step</th>
                <th>Side</th>
                <th>Hand</th>
                <th>Depth</th>
                <th>Dose a side</th>
                <th>Sheet</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="(s, i) in steps"
                :key="s.id"
                :class="{ on: s.id === step?.id, flagged: flagged.has(s.id) }"
                @click="pickStep(s.id)"
              >
                <td>{{ i + 1 }}</td>
                <td>
                  <button class="plain" @click.stop="pickStep(s.id)">
                    <strong>{{ s.name }}</strong> <span class="soft">{{ s.zones.map(word).join(', ') }}</span>
                  </button>
                </td>
                <td>{{ s.side }}</td>
                <td>{{ session.toolName(s.tool) }}</td>
                <td>{{ s.depth }}</td>
                <td>{{ doseWords(s.dose) }}</td>
                <td>{{ s.sheet }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <section class="card says" aria-label="What the checks say">
          <h2>
            What the checks say <span class="soft">{{ view.plan.findings.length }}</span>
          </h2>
          <p v-if="view.plan.findings.length === 0" class="soft">
            Nothing: warmed, in order, within its ceilings and its slot.
          </p>
          <article v-for="f in view.plan.findings" :key="f.finding.key" :class="f.finding.severity">
            <h3>
              {{ capital(f.finding.severity) }} <span class="rule">{{ f.finding.rule }}</span>
            </h3>
            <p>{{ f.finding.sentence }}</p>
            <p class="soft small">{{ f.finding.remedy }}</p>
            <button v-if="f.mend" class="push" :disabled="busy" @click="mend(f.finding.key)">
              {{ f.mend }}
            </button>
          </article>
          <p class="law">{{ session.catalogue?.law }}</p>
          <a class="push" :href="`/api/sequences/${id}/file`" download>Save as a file</a>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.upper {
  display: grid;
  grid-template-columns: 170px 1fr;
  gap: 14px;
}
.fig {
  padding: 8px;
  height: 306px;
}
h1 {
  font-size: 23px;
}
.steps :deep(td),
.steps td {
  padding: 0 8px;
}
.right {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
}
.now {
  padding: 8px 14px;
  font-size: 14.5px;
  min-height: 66px;
}
.caution {
  color: var(--stop);
  font-weight: 600;
}
.lower {
  display: grid;
  grid-template-columns: 1fr 360px;
  gap: 14px;
  align-items: start;
}
.steps {
  padding: 6px 10px;
}
.steps tr {
  cursor: pointer;
}
.steps tr.flagged {
  background: var(--stop-wash);
}
.steps tr.on {
  background: var(--order-wash);
}
.plain {
  background: none;
  border: 0;
  font: inherit;
  color: inherit;
  cursor: pointer;
  text-align: left;
  min-height: var(--target);
}
.says {
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: flex-start;
}
article {
  border-left: 5px solid var(--hint);
  padding-left: 12px;
  display: flex;
  flex-direction: column;
  gap: 6px;
  align-items: flex-start;
}
article.stop {
  border-color: var(--stop);
}
article.warn {
  border-color: var(--warn);
}
article h3 {
  font-size: 15px;
}
article p {
  font-size: 14.5px;
}
.small {
  font-size: 13.5px !important;
}
.rule {
  font: 600 12px var(--text);
  color: var(--ink-soft);
  margin-left: 6px;
}
.fit {
  font-size: 17px;
}
.bar {
  display: inline-block;
  width: 64px;
  height: 10px;
  margin-left: 8px;
  border-radius: 5px;
  overflow: hidden;
  background: var(--mechanics-wash);
  vertical-align: middle;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--good);
}
.bar span.over {
  background: var(--stop);
}
.prof select {
  max-width: 170px;
  min-height: var(--target);
  border: 1.5px solid var(--line);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 600 14px var(--text);
  padding: 0 10px;
}
.bad {
  display: flex;
  gap: 14px;
  align-items: center;
  border-color: var(--stop);
}
</style>
