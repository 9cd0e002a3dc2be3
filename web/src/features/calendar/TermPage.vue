<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import AddField from '@/parts/AddField.vue'
import FindingCard from '@/parts/FindingCard.vue'
import Tabs from '@/parts/Tabs.vue'
import VersionedEditor from '@/parts/VersionedEditor.vue'
import CoverageMap from './CoverageMap.vue'
import LessonMark from './LessonMark.vue'
import { AIMS, regionsOf } from './term'
import TermCalendarFile from '@/features/ical/TermCalendarFile.vue'
import LooksPlanned from '@/features/competency/LooksPlanned.vue'
import TermFile from './TermFile.vue'
import TermForm from './TermForm.vue'
import TermGrid from './TermGrid.vue'
import { useLessons } from './useLessons'
import { useTerm } from './useTerm'
import WeekPanel from './WeekPanel.vue'

/** A term is planned here: regions × weeks, what the checks say of it, and what it covers. */
const session = useSession()
const route = useRoute()
const router = useRouter()
const term = session.term?.id ?? ''
const plan = useTerm(term)
const { curriculum, checks, view, busy, dirty } = plan
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
const extra = ref<string[]>([])
/** A sequence that was sent here to be put into a week. */
const sent = computed(() => sequences.value?.find((s) => s.id === route.query.sequence))
watch(sent, (s) => s && (extra.value = [...extra.value, s.region]))
const lessons = useLessons(plan, sent, () => (panel.value = 'lesson'))
const { cell, lesson, shownWeek } = lessons

const regions = computed(() => {
  const c = curriculum.value
  return c ? [...new Set([...regionsOf(c), ...Object.keys(c.regionHours), ...extra.value])] : []
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
const panels = computed(() => [
  { value: 'checks' as const, name: `Checks ${checks.value?.findings.length ?? ''}` },
  { value: 'lesson' as const, name: shownWeek.value ? `Week ${shownWeek.value}` : 'Week' },
  { value: 'term' as const, name: 'Term' },
  { value: 'versions' as const, name: 'Versions' },
])
const hours = (n: number) => Math.round(10 * n) / 10
const said = computed(() => {
  const c = checks.value
  if (!c) return ''
  const asked = c.targetHours ? ` of ${hours(c.targetHours)} asked for` : ''
  return `${hours(c.plannedHours)} h planned${asked} · ${hours(c.roomHours)} h there are`
})

function openFinding({ rule, where }: Schema['TermFindingView']) {
  const all = curriculum.value?.lessons ?? []
  const l =
    all.find((x) => x.id === where.lesson) ??
    (where.week ? undefined : all.find((x) => x.region === where.region))
  side.value = rule === 'TERM-COVER' && !where.lesson && !where.week ? 'coverage' : 'weeks'
  if (l) lessons.pickLesson(l)
  else if (where.week) lessons.pickWeek(where.week)
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
</script>

<template>
  <VersionedEditor
    class="term"
    :draft="plan"
    :name="curriculum?.name ?? ''"
    :said="said"
    :saves="session.plans"
    back="/plan"
    back-label="Back to all sequences"
  >
    <template #head>
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
    </template>
    <div v-if="sent" class="card note" role="status">
      <p>
        Pick a week in the row <strong>{{ session.regionName(sent.region) }}</strong>, then what it does:
        <strong>{{ sent.name }}</strong> goes there.
      </p>
      <router-link class="push" to="/term">Done</router-link>
    </div>
    <div v-if="curriculum && checks" class="cols">
      <section class="card main-side">
        <template v-if="side === 'weeks'">
          <TermGrid
            :curriculum="curriculum"
            :regions="regions"
            :now="now"
            :cell="cell"
            :lesson="lesson"
            :flagged="flagged"
            @pick="lessons.pick"
            @week="lessons.pickWeek"
            @add="lessons.add"
            @shift="lessons.shift"
            @remove="lessons.removeLast"
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
              class="region"
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
          <LooksPlanned :term="term" :version="view?.version ?? 0" />
          <p class="law">{{ session.catalogue?.law }}</p>
        </div>
        <div v-else-if="panel === 'lesson'" role="tabpanel" aria-label="Week" class="panel">
          <WeekPanel
            :curriculum="curriculum"
            :lessons="lessons"
            :sequences="sequences"
            :term="term"
            :dirty="dirty"
            @act="plan.act"
          />
        </div>
        <div v-else-if="panel === 'term'" role="tabpanel" aria-label="Term" class="panel">
          <TermForm :curriculum="curriculum" :regions="checks.regions" @act="plan.act" />
          <TermFile :term="term" @taken="plan.drop" />
          <TermCalendarFile :term="term" @taken="plan.drop" />
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
  </VersionedEditor>
</template>

<style scoped>
.term {
  min-height: 640px;
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
.region {
  width: 170px;
  min-height: var(--target);
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  color: var(--ink);
  font: 500 15px var(--text);
  padding: 0 8px;
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
/* On a phone the weeks stand above what is said of them. */
@media (max-width: 640px) {
  .term {
    height: auto;
    min-height: 0;
  }
  .cols {
    display: flex;
    flex-direction: column;
  }
}
</style>
