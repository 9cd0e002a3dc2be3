<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useLine } from '@/parts/useLine'
import { useSession } from '@/features/session/useSession'
import { hue } from '@/parts/criteria'
import Palm from '@/parts/Palm.vue'
import Standing from '@/parts/Standing.vue'
import { capital, counted, day, points } from '@/parts/words'
import EarlierMarksPanel from '@/features/earlier/EarlierMarksPanel.vue'
import StatementsPanel from '@/features/statement/StatementsPanel.vue'
import StudentBackground from './StudentBackground.vue'
import StepsToPractise from './StepsToPractise.vue'
import StudentRollUps from './StudentRollUps.vue'
import { stateOf } from './track'
import Weeks from './Weeks.vue'

const props = defineProps<{ id: string }>()
const session = useSession()
const route = useRoute()
const {
  data: student,
  problem,
  loading,
  again,
} = useAsked(() => ask(api.GET('/api/competency/students/{id}', { params: { path: { id: props.id } } })))
const region = ref<string>()
/** A level and how sure it is: for who grades, where they want it. */
const figures = ref(false)
watch(student, async (s) => {
  const asked = route.hash.slice(1)
  region.value =
    s?.regions.find((r) => r.region === region.value)?.region ??
    s?.regions.find((r) => r.region === asked)?.region ??
    s?.regions.find((r) => seen(r))?.region ??
    s?.regions[0]?.region
  await nextTick()
})
// A mark given meanwhile shows by itself; students are told of what is released to them alone.
const line = !session.staff
  ? `/api/competency/students/${props.id}/live`
  : session.term && `/api/terms/${session.term.id}/competency/live`
if (line)
  useLine<{ tracked: number }>(line, (now) => {
    if (student.value && student.value.tracked !== now.tracked) void again()
  })
const seen = (r: Schema['RegionLines']) => r.lines.some((l) => l.history.length > 0)
const current = computed(() => student.value?.regions.find((r) => r.region === region.value))
const secure = (r: Schema['RegionLines']) => r.lines.filter((l) => l.bar.state === 'secure').length
const here = computed(() => student.value?.practicals.filter((p) => p.region === region.value) ?? [])
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !student" @again="again" />
    <template v-if="student">
      <div class="top">
        <router-link v-if="session.staff" to="/track" class="push" aria-label="Back to the cohort"
          >←</router-link
        >
        <h1>{{ student.student.name }}</h1>
        <span class="soft"
          >Week {{ Math.floor(student.week) + 1 }} of {{ student.weeks }} ·
          {{ counted(student.practicals.length, 'practical') }} · cut {{ student.cut }} · by the
          {{ student.way }}</span
        >
        <span class="grow" />
        <slot />
        <button v-if="session.staff" class="push" :aria-pressed="figures" @click="figures = !figures">
          Figures
        </button>
        <a class="push" :href="`/api/competency/students/${student.student.id}/report`" target="_blank"
          >Report (PDF)</a
        >
        <a
          class="push"
          :href="`/api/competency/students/${student.student.id}/evidence`"
          download="evidence.json"
          >Evidence (JSON)</a
        >
      </div>
      <div class="palms" role="group" aria-label="Regions">
        <button
          v-for="r in student.regions"
          :key="r.region"
          class="card pick"
          :class="{ on: r.region === region }"
          :aria-pressed="r.region === region"
          @click="region = r.region"
        >
          <Palm
            :bars="r.lines.map((l) => l.bar)"
            :secure="secure(r)"
            :size="96"
            :label="session.regionName(r.region)"
          />
          <span>{{ session.regionName(r.region) }}</span>
        </button>
      </div>
      <p v-if="student.regions.length === 0" class="card soft">Nothing has been seen and released yet.</p>
      <div class="cols">
        <section v-if="current" class="card lines">
          <h2>{{ session.regionName(current.region) }}</h2>
          <div v-for="l in current.lines" :key="l.bar.criterion" class="line">
            <div class="say">
              <b :style="{ color: hue(l.bar.criterion) }">{{ capital(l.bar.criterion) }}</b>
              <span class="state" :class="l.bar.state.replace(' ', '-')">{{ stateOf(l) }}</span>
              <span class="num">{{
                l.bar.level == null ? '' : figures ? `${points(l.bar.level)} ± ${points(l.bar.sd)}` : ''
              }}</span>
              <p class="soft">{{ l.bar.why }}</p>
              <p v-if="l.pace && l.history.length" class="soft pace">{{ l.pace.why }}</p>
            </div>
            <Weeks :line="l" :weeks="student.weeks" :now="student.week" :cut="student.cut" />
          </div>
        </section>
        <div class="side">
          <section v-if="current" class="card">
            <h2>Practicals here</h2>
            <p v-if="here.length === 0" class="soft">Nobody has looked at this region yet.</p>
            <div v-for="(p, i) in here" :key="p.id">
              <router-link :to="p.finished ? `/review/${p.id}` : `/grade/${p.id}`" class="prac">
                <strong>{{ day(p.startedAt) }}</strong>
                <span>{{ p.sequence }}</span>
                <span v-if="p.voidReason" class="soft">void</span>
                <span v-else :class="p.result">{{
                  p.result ? `${points(p.mean)} · ${p.result}` : 'to review'
                }}</span>
              </router-link>
              <router-link
                v-if="p.result && here[i + 1]?.result"
                class="soft beside"
                :to="`/compare/${here[i + 1]!.id}/${p.id}`"
                >beside the one before</router-link
              >
            </div>
          </section>
          <StatementsPanel v-if="session.staff" :term="student.term" :student="student.student.id" />
          <EarlierMarksPanel v-if="session.staff" :student="student.student.id" />
          <StudentBackground :student="student" />
        </div>
        <div class="rest">
          <StepsToPractise :steps="student.toPractise" />
          <StudentRollUps :student="student" />
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.palms {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(112px, 1fr));
  gap: 10px;
}
.pick {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 4px;
  font: 600 14px var(--text);
  color: inherit;
  cursor: pointer;
  border-width: 2px;
  padding: 8px;
}
.pick.on {
  border-color: var(--ink);
}
.beside {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
  font-size: 14px;
}
/* What one looks for first is in sight; what follows fills both columns. */
.cols {
  display: grid;
  grid-template: auto 1fr / minmax(0, 1fr) 330px;
  grid-template-areas: 'lines side' 'rest side';
  gap: 14px;
  align-items: start;
}
.lines {
  grid-area: lines;
}
.side {
  grid-area: side;
}
.rest {
  grid-area: rest;
}
.cols > *,
.line > * {
  min-width: 0;
}
.side,
.rest {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.pace {
  margin-top: 2px;
}
.line {
  display: grid;
  grid-template-columns: 290px 1fr;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
.say p {
  font-size: 13px;
  line-height: 1.25;
}
.state {
  font-weight: 700;
  font-size: 14px;
  margin: 0 8px;
}
.secure {
  color: var(--good);
}
.at-risk,
.open-critical {
  color: var(--stop);
}
.num {
  font-weight: 600;
  font-size: 14px;
}
.prac {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 10px;
  min-height: 52px;
  align-items: center;
  text-decoration: none;
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
.prac span:nth-child(2) {
  grid-row: 2;
  grid-column: 1 / -1;
  font-size: 14px;
  color: var(--ink-soft);
}
.pass {
  color: var(--good);
  font-weight: 650;
}
.fail {
  color: var(--stop);
  font-weight: 650;
}
@media (max-width: 899px) {
  .cols {
    grid-template: none / minmax(0, 1fr);
    grid-template-areas: 'lines' 'side' 'rest';
  }
}
@media (max-width: 640px) {
  .cols .line {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
