<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { vTyped } from '@/parts/typed'
import DraftStanding from '@/parts/DraftStanding.vue'
import AddField from '@/parts/AddField.vue'
import FindingCard from '@/parts/FindingCard.vue'
import Standing from '@/parts/Standing.vue'
import Tabs from '@/parts/Tabs.vue'
import UndoRedo from '@/parts/UndoRedo.vue'
import { useIncoming } from '@/parts/useIncoming'
import { usePaper } from '@/parts/usePaper'
import CoverageMap from './CoverageMap.vue'
import LessonMark from './LessonMark.vue'
import TermGrid from './TermGrid.vue'
import {
  addLesson,
  AIMS,
  aimOf,
  changeLesson,
  changeTime,
  DAYS,
  minutesOf,
  moveLesson,
  regionsOf,
  removeLesson,
  timesFor,
  toggleOff,
  withLabs,
  type Aim,
  type Curriculum,
  type Lesson,
} from './term'
import { useTerm } from './useTerm'

/** A term is planned here: regions × weeks, what the checks say of it, and what it covers. */
const session = useSession()
const route = useRoute()
const router = useRouter()
const term = session.term?.id ?? ''
const plan = useTerm(term)
const { curriculum, checks, view, busy, dirty, failed, theirs } = plan
const { lines: versions, more, earlier } = plan.history
const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))
const { data: log } = useAsked(() => ask(api.GET('/api/terms/{term}/shown', { params: { path: { term } } })))
/** Which side is shown stands in the address, so that it can be linked to. */
const side = computed({
  get: () => (route.hash === '#coverage' ? 'coverage' : 'weeks'),
  set: (to: 'weeks' | 'coverage') =>
    void router.replace({ query: route.query, hash: to === 'coverage' ? '#coverage' : '' }),
})
const panel = ref<'checks' | 'lesson' | 'term' | 'versions'>('checks')
const cell = ref<{ region: string; week: number }>()
const week = ref<number>()
const lesson = ref<string>()
const extra = ref<string[]>([])
const paper = usePaper()
/** A sequence that was sent here to be put into a week. */
const sent = computed(() => sequences.value?.find((s) => s.id === route.query.sequence))
watch(sent, (s) => s && (extra.value = [...extra.value, s.region]))

const regions = computed(() => {
  const c = curriculum.value
  if (!c) return []
  const all = [...regionsOf(c), ...(Object.keys(c.regionHours) as string[]), ...extra.value]
  return [...new Set(all)]
})
const missing = computed(() =>
  (session.catalogue?.regions ?? []).filter((r) => !regions.value.includes(r.id)),
)
const now = computed(() => Math.floor(view.value?.week ?? -1) + 1)
const flagged = computed(
  () =>
    new Set(
      checks.value?.findings
        .filter((f) => f.severity !== 'hint')
        .flatMap((f) => (f.where.lesson ? [f.where.lesson] : [])),
    ),
)
const here = computed<Lesson[]>(() => {
  const c = curriculum.value
  if (!c) return []
  if (cell.value) {
    const { region, week: w } = cell.value
    return c.lessons.filter((l) => l.region === region && l.week === w)
  }
  return week.value ? c.lessons.filter((l) => l.week === week.value) : []
})
const shownWeek = computed(() => cell.value?.week ?? week.value)
const panels = computed(() => [
  { value: 'checks' as const, name: `Checks ${checks.value?.findings.length ?? ''}` },
  { value: 'lesson' as const, name: shownWeek.value ? `Week ${shownWeek.value}` : 'Week' },
  { value: 'term' as const, name: 'Term' },
  { value: 'versions' as const, name: 'Versions' },
])
const ofRegion = (region: string) => sequences.value?.filter((s) => s.region === region) ?? []
const others = (region: string) => sequences.value?.filter((s) => s.region !== region) ?? []
const hours = (n: number) => Math.round(10 * n) / 10

function on(what: string, edit: (c: Curriculum) => Curriculum) {
  if (curriculum.value) plan.act(what, edit(curriculum.value))
}
function pick(region: string, w: number) {
  cell.value = { region, week: w }
  week.value = undefined
  lesson.value = curriculum.value?.lessons.find((l) => l.region === region && l.week === w)?.id
  panel.value = 'lesson'
}
function pickWeek(w: number) {
  week.value = w
  cell.value = undefined
  lesson.value = undefined
  panel.value = 'lesson'
}
function add(region: string, w: number, aim: string) {
  if (!curriculum.value) return
  const made = addLesson(
    curriculum.value,
    w,
    region,
    aim as Aim,
    sent.value?.region === region ? sent.value.id : undefined,
  )
  plan.act(`${aimOf(aim).name} ${session.regionName(region).toLowerCase()}, week ${w}`, made.curriculum)
  pick(region, w)
  lesson.value = made.id
}
function change(l: Lesson, what: string, patch: Partial<Lesson>) {
  on(`${what} of “${aimOf(l.aim).name} ${session.regionName(l.region).toLowerCase()}”`, (c) =>
    changeLesson(c, l.id, patch),
  )
  if (patch.week && cell.value) cell.value = { region: l.region, week: patch.week }
}
function shift(id: string, w: number) {
  on(`Moved to week ${w}`, (c) => moveLesson(c, id, w))
  const moved = curriculum.value?.lessons.find((l) => l.id === id)
  if (moved) pick(moved.region, moved.week)
  lesson.value = id
}
function remove(l: Lesson) {
  on(`Took out ${aimOf(l.aim).name.toLowerCase()} ${session.regionName(l.region).toLowerCase()}`, (c) =>
    removeLesson(c, l.id),
  )
}
function removeLast(region: string, w: number) {
  const last = curriculum.value?.lessons.filter((l) => l.region === region && l.week === w).at(-1)
  if (last) remove(last)
}
function openFinding(f: Schema['TermFindingView']) {
  const l = curriculum.value?.lessons.find((x) => x.id === f.where.lesson)
  side.value = 'weeks'
  if (l) {
    pick(l.region, l.week)
    lesson.value = l.id
  } else if (f.where.week) pickWeek(f.where.week)
  else if (f.where.region) {
    const first = curriculum.value?.lessons.find((x) => x.region === f.where.region)
    if (first) pick(first.region, first.week)
    if (f.rule === 'TERM-COVER') side.value = 'coverage'
  }
}
function setNumber(field: 'weeks' | 'labsAWeek' | 'labMinutes' | 'targetHours', what: string, event: Event) {
  const value = Number((event.target as HTMLInputElement).value)
  if (!Number.isFinite(value)) return
  on(what, (c) => (field === 'labsAWeek' ? withLabs(c, value) : { ...c, [field]: value }))
}
/** What the layout says it could not do. */
const laid = ref('')
async function layOut() {
  const answer = await plan.layOut(regions.value)
  laid.value = !answer
    ? ''
    : answer.overMinutes > 0 || answer.missed > 0
      ? `Laid out, with ${Math.round(answer.overMinutes)} minutes over the labs and ${answer.missed} meetings left out: the term is too short for all of it.`
      : 'Laid out: everything fits.'
}
/** A file shows what it would change first; then all of it is taken, or nothing. */
const picker = ref<HTMLInputElement>()
const { incoming, fileProblem, readFile, takeFile } = useIncoming({
  given: (file) => file.text(),
  preview: (text) =>
    ask(
      api.POST('/api/terms/{term}/curriculum/incoming/preview', {
        params: { path: { term } },
        body: { text },
      }),
    ),
  take: async (text) => {
    await ask(
      api.POST('/api/terms/{term}/curriculum/incoming', { params: { path: { term } }, body: { text } }),
    )
    plan.drop()
  },
})
onKeyStroke((e) => {
  const typing = (e.target as HTMLElement).closest?.('input, textarea, select')
  if (!e.ctrlKey && !e.metaKey) return
  const key = e.key.toLowerCase()
  if (key === 's') void plan.save()
  else if (key === 'z' && !typing) (e.shiftKey ? plan.redo : plan.undo)()
  else return
  e.preventDefault()
})
</script>

<template>
  <div class="page">
    <Standing :problem="plan.problem.value" :loading="plan.loading.value && !view" @again="plan.read" />
    <template v-if="view && curriculum && checks">
      <div class="top">
        <router-link to="/plan" class="push" aria-label="Back to all sequences">←</router-link>
        <div>
          <h1>{{ curriculum.name }}</h1>
          <span class="soft"
            >{{ hours(checks.plannedHours) }} h planned{{
              checks.targetHours ? ` of ${hours(checks.targetHours)} asked for` : ''
            }}
            · {{ hours(checks.roomHours) }} h there are · version {{ view.version
            }}{{ dirty ? ', with changes not saved' : '' }}</span
          >
        </div>
        <span class="grow" />
        <div class="two" role="group" aria-label="What is shown">
          <button
            v-for="s in ['weeks', 'coverage'] as const"
            :key="s"
            class="push"
            :class="{ main: side === s }"
            :aria-pressed="side === s"
            @click="side = s"
          >
            {{ s === 'weeks' ? 'Weeks' : 'Coverage' }}
          </button>
        </div>
        <UndoRedo
          :undoable="plan.undoable.value"
          :redoable="plan.redoable.value"
          :busy="busy"
          @undo="plan.undo"
          @redo="plan.redo"
        />
        <button class="push main" :disabled="!dirty || busy" @click="plan.save()">Save</button>
      </div>
      <p v-if="view.damaged" class="card" role="alert">{{ view.damaged }}</p>
      <DraftStanding
        :restored="plan.restored.value && dirty"
        :failed="failed"
        :theirs="theirs"
        @drop="plan.drop"
        @close="failed = undefined"
        @take-theirs="plan.takeTheirs"
        @save-mine="plan.save(true)"
      />
      <div v-if="sent" class="card note" role="status">
        <p>
          Pick a week in the row <strong>{{ session.regionName(sent.region) }}</strong>, then what it does:
          <strong>{{ sent.name }}</strong> goes there.
        </p>
        <router-link class="push" to="/term">Done</router-link>
      </div>
      <div class="cols">
        <section class="card main-side">
          <template v-if="side === 'weeks'">
            <TermGrid
              :curriculum="curriculum"
              :regions="regions"
              :now="now"
              :cell="cell"
              :lesson="lesson"
              :flagged="flagged"
              @pick="pick"
              @week="pickWeek"
              @add="add"
              @shift="shift"
              @remove="removeLast"
            />
            <div v-if="regions.length === 0" class="empty">
              <h2>No region in this term yet</h2>
              <p class="soft">
                Add the regions in the order in which you would take them, then let the term be laid out, or
                touch a week and put a lesson there.
              </p>
            </div>
            <div class="foot">
              <AddField
                label="Add a region"
                first="Add a region…"
                :offered="missing"
                @add="(id) => (extra = [...extra, id])"
              />
              <button class="push" :disabled="regions.length === 0 || busy" @click="layOut">
                Lay the term out
              </button>
              <span class="grow" />
              <span v-for="a in AIMS" :key="a.id" class="leg soft"
                ><LessonMark :aim="a.id" /> {{ a.name.toLowerCase() }}</span
              >
            </div>
            <p v-if="laid" role="status" class="soft">{{ laid }}</p>
          </template>
          <CoverageMap v-else :checks="checks" :curriculum="curriculum" :log="log" />
        </section>
        <section class="card says">
          <Tabs v-model="panel" :tabs="panels" label="Of this term" />
          <div v-if="panel === 'checks'" role="tabpanel" aria-label="What the checks say" class="panel">
            <p v-if="checks.findings.length === 0" class="soft">
              {{
                curriculum.lessons.length === 0
                  ? 'No lesson is planned yet: there is nothing to look at.'
                  : 'Nothing: taught before it is asked for, met again, within its hours.'
              }}
            </p>
            <FindingCard
              v-for="f in checks.findings"
              :key="f.key"
              :finding="f"
              :mend="f.mend"
              :busy="busy"
              @open="openFinding(f)"
              @mend="plan.mend(f.key, f.mend!)"
            />
            <p class="law">{{ session.catalogue?.law }}</p>
          </div>
          <div v-else-if="panel === 'lesson'" role="tabpanel" aria-label="Week" class="panel">
            <p v-if="!shownWeek" class="soft">Touch a week, or what a region does in it.</p>
            <template v-else>
              <h2>
                {{ cell ? `${session.regionName(cell.region)}, week ${cell.week}` : `Week ${week}` }}
              </h2>
              <p class="soft small">
                <template v-for="lab in curriculum.labsAWeek" :key="lab"
                  >lab {{ lab }}: {{ minutesOf(curriculum, shownWeek, lab) }} of
                  {{ curriculum.labMinutes }} min{{ lab < curriculum.labsAWeek ? ' · ' : '' }}</template
                >
              </p>
              <div v-if="cell" class="adds" role="group" aria-label="Add a lesson">
                <button
                  v-for="a in AIMS"
                  :key="a.id"
                  class="push"
                  :title="`Key ${a.letter}`"
                  @click="add(cell.region, cell.week, a.id)"
                >
                  + {{ a.name }}
                </button>
              </div>
              <p v-if="here.length === 0" class="soft">Nothing planned here.</p>
              <fieldset v-for="l in here" :key="l.id" class="lesson" :class="{ picked: l.id === lesson }">
                <legend>
                  <LessonMark :aim="l.aim" /> {{ aimOf(l.aim).name }}
                  {{ cell ? '' : session.regionName(l.region).toLowerCase() }}
                </legend>
                <label
                  >Week
                  <input
                    v-typed="l.week"
                    type="number"
                    min="1"
                    :max="curriculum.weeks"
                    @change="
                      change(l, 'Week', { week: Number(($event.target as HTMLInputElement).value) || l.week })
                    "
                /></label>
                <label
                  >Lab
                  <input
                    v-typed="l.lab"
                    type="number"
                    min="1"
                    :max="curriculum.labsAWeek"
                    @change="
                      change(l, 'Lab', { lab: Number(($event.target as HTMLInputElement).value) || l.lab })
                    "
                /></label>
                <label
                  >Minutes
                  <input
                    v-typed="l.minutes"
                    type="number"
                    min="5"
                    max="480"
                    step="5"
                    @change="
                      change(l, 'Minutes', {
                        minutes: Number(($event.target as HTMLInputElement).value) || l.minutes,
                      })
                    "
                /></label>
                <label class="wide"
                  >Sequence
                  <select
                    :value="l.sequence ?? ''"
                    @change="
                      change(l, 'Sequence', {
                        sequence: ($event.target as HTMLSelectElement).value || undefined,
                        steps: [],
                      })
                    "
                  >
                    <option value="">none yet</option>
                    <option v-for="s in ofRegion(l.region)" :key="s.id" :value="s.id">{{ s.name }}</option>
                    <optgroup label="Of other regions">
                      <option v-for="s in others(l.region)" :key="s.id" :value="s.id">{{ s.name }}</option>
                    </optgroup>
                  </select></label
                >
                <p v-if="l.steps.length" class="soft small wide">
                  Only {{ l.steps.length }} {{ l.steps.length === 1 ? 'step' : 'steps' }} of it.
                  <button class="push" @click="change(l, 'Steps', { steps: [] })">All of it</button>
                </p>
                <label class="wide"
                  >Note for the lab plan
                  <input
                    v-typed="l.note"
                    maxlength="500"
                    @change="change(l, 'Note', { note: ($event.target as HTMLInputElement).value })"
                /></label>
                <router-link v-if="l.sequence" class="push" :to="`/plan/${l.sequence}`">Open</router-link>
                <button class="push stop" @click="remove(l)">Take out</button>
              </fieldset>
              <div class="adds">
                <button
                  class="push"
                  @click="on(`Week ${shownWeek} off or on`, (c) => toggleOff(c, shownWeek!))"
                >
                  {{ curriculum.off.includes(shownWeek) ? 'Week is off: put it on' : 'Week off' }}
                </button>
                <select v-model="paper" aria-label="Paper">
                  <option value="a4">A4</option>
                  <option value="letter">Letter</option>
                </select>
                <a
                  class="push"
                  :href="`/api/terms/${term}/weeks/${shownWeek}/plan?paper=${paper}`"
                  target="_blank"
                  >Lab plan{{ dirty ? ' as saved' : '' }}</a
                >
              </div>
            </template>
          </div>
          <div v-else-if="panel === 'term'" role="tabpanel" aria-label="Term" class="panel">
            <label class="wide"
              >Name
              <input
                v-typed="curriculum.name"
                maxlength="200"
                @change="
                  on('Name', (c) => ({ ...c, name: ($event.target as HTMLInputElement).value || c.name }))
                "
            /></label>
            <div class="four">
              <label
                >Weeks
                <input
                  v-typed="curriculum.weeks"
                  type="number"
                  min="1"
                  max="60"
                  @change="setNumber('weeks', 'Weeks', $event)"
              /></label>
              <label
                >Labs a week
                <input
                  v-typed="curriculum.labsAWeek"
                  type="number"
                  min="1"
                  max="7"
                  @change="setNumber('labsAWeek', 'Labs a week', $event)"
              /></label>
              <label
                >Minutes a lab
                <input
                  v-typed="curriculum.labMinutes"
                  type="number"
                  min="10"
                  max="480"
                  @change="setNumber('labMinutes', 'Minutes a lab', $event)"
              /></label>
              <label
                >Hours asked for
                <input
                  v-typed="curriculum.targetHours"
                  type="number"
                  min="0"
                  @change="setNumber('targetHours', 'Hours asked for', $event)"
              /></label>
            </div>
            <fieldset v-if="curriculum.times.length" class="times">
              <legend>When labs are held</legend>
              <template v-for="(t, i) in curriculum.times" :key="i">
                <span class="soft">Lab {{ i + 1 }}</span>
                <input
                  v-typed="t.room"
                  maxlength="40"
                  placeholder="room"
                  :aria-label="`Room of lab ${i + 1}`"
                  @change="
                    on('Room of a lab', (c) =>
                      changeTime(c, i + 1, { room: ($event.target as HTMLInputElement).value }),
                    )
                  "
                />
                <select
                  :aria-label="`Day of lab ${i + 1}`"
                  :value="t.day"
                  @change="
                    on('Day of a lab', (c) =>
                      changeTime(c, i + 1, { day: Number(($event.target as HTMLSelectElement).value) }),
                    )
                  "
                >
                  <option v-for="(d, n) in DAYS" :key="d" :value="n + 1">{{ d }}</option>
                </select>
                <input
                  v-typed="t.begins"
                  type="time"
                  :aria-label="`Lab ${i + 1} begins`"
                  @change="
                    on('Time of a lab', (c) =>
                      changeTime(c, i + 1, {
                        begins: ($event.target as HTMLInputElement).value || t.begins,
                      }),
                    )
                  "
                />
              </template>
              <button class="push" @click="on('No times for labs', (c) => ({ ...c, times: [] }))">
                No times
              </button>
            </fieldset>
            <button
              v-else
              class="push"
              @click="on('Times for labs', (c) => ({ ...c, times: timesFor(c, c.labsAWeek) }))"
            >
              Say when labs are held
            </button>
            <table class="lines">
              <thead>
                <tr>
                  <th>Region</th>
                  <th>planned</th>
                  <th>asked for, h</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="r in checks.regions" :key="r.region">
                  <td>{{ session.regionName(r.region) }}</td>
                  <td>{{ hours(r.hours) }}</td>
                  <td>
                    <input
                      v-typed="curriculum.regionHours[r.region] ?? ''"
                      type="number"
                      min="0"
                      class="slim"
                      :aria-label="`Hours asked for, ${session.regionName(r.region)}`"
                      @change="
                        on(`Hours of ${session.regionName(r.region).toLowerCase()}`, (c) => {
                          const { [r.region]: _, ...rest } = c.regionHours
                          const value = Number(($event.target as HTMLInputElement).value)
                          return { ...c, regionHours: value > 0 ? { ...rest, [r.region]: value } : rest }
                        })
                      "
                    />
                  </td>
                </tr>
              </tbody>
            </table>
            <div class="adds">
              <a class="push" :href="`/api/terms/${term}/curriculum/file`" download>Save as a file</a>
              <input
                ref="picker"
                type="file"
                accept=".json,application/json"
                class="sr"
                aria-label="Curriculum file"
                @change="readFile"
              />
              <button class="push" @click="picker?.click()">Read a file</button>
            </div>
            <div v-if="fileProblem" role="alert" class="bad">
              <p>The file was not read; nothing was stored. {{ fileProblem.detail }}</p>
              <ul>
                <li v-for="f in fileProblem.faults" :key="f.field + f.reason">
                  {{ f.field }}{{ f.value ? ` “${f.value}”` : '' }} {{ f.reason }}
                </li>
              </ul>
            </div>
            <div v-if="incoming">
              <p>
                <strong>{{ incoming.preview.name }}</strong>, {{ incoming.preview.lessons }} lessons. It would
                change:
              </p>
              <ul class="small">
                <li v-for="c in incoming.preview.changes" :key="c">{{ c }}</li>
                <li v-for="s in incoming.preview.sequences" :key="s.id">
                  {{ s.name }}:
                  {{ !s.known ? 'new' : s.changes.length ? `${s.changes.length} changes` : 'the same' }}
                </li>
              </ul>
              <button class="push main" @click="takeFile">Take all of it</button>
              <button class="push" @click="incoming = undefined">Leave it</button>
            </div>
          </div>
          <div v-else role="tabpanel" aria-label="Versions" class="panel">
            <p v-for="v in versions" :key="v.version">
              <strong>{{ v.version }}</strong> {{ v.what }}
            </p>
            <p v-if="versions?.length === 0" class="soft">Nothing saved yet.</p>
            <button v-if="more" class="push earlier" @click="earlier">Earlier</button>
          </div>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.times {
  border: 0;
  padding: 0;
  margin: 10px 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  align-items: center;
}
.times input,
.times select {
  min-width: 0;
  min-height: var(--target);
}
.page {
  height: calc(100dvh - var(--bar));
  min-height: 640px;
  padding: 12px 20px;
  gap: 10px;
}
h1 {
  font-size: 23px;
}
.two {
  display: flex;
  gap: 6px;
}
.note {
  display: flex;
  gap: 14px;
  align-items: center;
}
.bad {
  border-color: var(--stop);
  color: var(--stop);
}
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(280px, 320px);
  grid-template-rows: minmax(0, 1fr);
  gap: 12px;
  flex: 1;
  min-height: 0;
}
.main-side,
.says {
  min-height: 0;
  overflow: hidden;
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 10px;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.leg {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  font-size: 14px;
}
.panel {
  display: flex;
  flex-direction: column;
  gap: 12px;
  overflow-y: auto;
  min-height: 0;
  padding-right: 4px;
}
.adds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.adds .push {
  padding: 4px 10px;
  font-size: 14px;
}
.lesson {
  border: 1px solid var(--line);
  border-radius: 14px;
  padding: 8px 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: flex-end;
}
.lesson.picked {
  border: 2px solid var(--ink);
}
legend {
  font-weight: 650;
}
label {
  display: flex;
  flex-direction: column;
  font-size: 13px;
  font-weight: 600;
  gap: 2px;
  flex: 1;
  min-width: 62px;
}
label.wide {
  flex-basis: 100%;
}
input:not(.sr),
select {
  min-height: var(--target);
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  color: var(--ink);
  font: 500 15px var(--text);
  padding: 0 8px;
  width: 100%;
}
.adds select {
  width: auto;
}
.foot label {
  flex: none;
}
.foot select {
  width: 170px;
}
.adds[role='group'] {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.slim {
  width: 72px;
}
.four {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.small {
  font-size: 13.5px;
}
ul {
  padding-left: 20px;
  margin: 0;
}
/* On a phone the weeks stand above what is said of them. */
@media (max-width: 640px) {
  .page {
    height: auto;
    min-height: 0;
    padding: 8px;
  }
  .cols {
    display: flex;
    flex-direction: column;
  }
}
@media (min-width: 641px) and (max-width: 1100px) {
  .top {
    gap: 8px;
    flex-wrap: nowrap;
  }
  .top h1 {
    font-size: 19px;
  }
  .top :deep(.push) {
    padding: 6px 10px;
  }
  .top .soft {
    font-size: 14px;
  }
}
</style>
