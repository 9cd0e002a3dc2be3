<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { aimOf } from '@/features/calendar/term'
import NextLooks from '@/features/competency/NextLooks.vue'
import LabHead from '@/features/register/LabHead.vue'
import NoLab from '@/features/register/NoLab.vue'
import { useLabs } from '@/features/register/useLabs'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { dateOf, timeOf } from '@/parts/when'
import { counted, day } from '@/parts/words'
import SubstituteForm from './SubstituteForm.vue'

/** One lab for whoever takes it: what is on, what was shown before it, and what each student needs. */
const session = useSession()
const router = useRouter()
const term = session.term?.id ?? ''
const { register, problem, loading, again, shown, chosen, place } = useLabs(term, true)
const briefing = useAsked(async () =>
  place.value
    ? ask(
        api.GET('/api/terms/{term}/briefings/{week}/{lab}', {
          params: { path: { term, week: place.value.week, lab: place.value.lab } },
        }),
      )
    : undefined,
)
watch(chosen, () => void briefing.again())
const view = briefing.data
const { failed, during } = useCommand()

type Shown = Schema['ShownBefore']
const inLab = (p: { week: number; lab: number } | undefined) => (p ? `week ${p.week}, lab ${p.lab}` : '')
/** When something was shown, and how much of it is still owed. */
function when(s: Shown) {
  const at = `${day(s.at)}${s.place ? ` (${inLab(s.place)})` : ''}`
  if (!s.left) return at
  return `${at} · ${s.finished ? `${counted(s.left, 'step')} left out` : `not finished, ${counted(s.left, 'step')} to come`}`
}
/** The lessons by the clock of the lab. */
const lessons = computed(() => {
  let at = 0
  return (view.value?.lessons ?? []).map((l) => {
    const from = at
    at += l.minutes
    return { ...l, from }
  })
})
const clock = (minutes: number) =>
  view.value?.begins
    ? timeOf(new Date(view.value.begins).getTime() + minutes * 60_000)
    : `${Math.round(minutes)} min`
const today = computed(() => view.value?.onDay === dateOf())
const needy = computed(() => view.value?.students.filter((s) => s.needs.length || s.spared.length) ?? [])
const others = computed(() => (view.value?.students.length ?? 0) - needy.value.length)
/** Whether looks are planned for this lab: they are for the one that is on or comes next. */
const coming = computed(() => {
  const next = register.value?.labs.find((l) => !l.over)
  return next && place.value && inLab(next) === inLab(place.value)
})
const head = computed(() => {
  const v = view.value
  if (!v) return ''
  const at = v.begins
    ? `${day(v.begins)}, ${timeOf(v.begins)} to ${clock(v.minutes)}`
    : `${v.minutes} minutes`
  return v.room ? `${at} · ${v.room}` : at
})
const show = (id: string, lesson: string) =>
  during(async () => {
    const d = await ask(
      api.POST('/api/sequences/{id}/demonstrations', { params: { path: { id } }, body: { lesson } }),
    )
    await router.push(`/show/${d.id}`)
  })
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !register" @again="again" />
    <template v-if="register && shown">
      <LabHead v-model="chosen" title="Briefing" :labs="register.labs" here="briefing" />
      <Standing v-if="!view" :problem="briefing.problem.value" :loading="true" @again="briefing.again" />
      <template v-else>
        <div class="cols">
          <div class="side">
            <section class="card" aria-label="What is on">
              <div class="title">
                <h2>What is on</h2>
                <span class="soft">{{ head }}</span>
              </div>
              <Failed :of="failed" />
              <p v-if="!lessons.length" class="soft">
                The plan says nothing of this lab; <router-link to="/term">plan the term</router-link>.
              </p>
              <ol class="lessons">
                <li v-for="l in lessons" :key="l.id">
                  <span class="at"
                    ><strong>{{ clock(l.from) }}</strong
                    ><span class="soft">{{ l.minutes }} min</span></span
                  >
                  <span class="what">
                    <strong>{{ aimOf(l.aim).name }}: {{ l.name || session.regionName(l.region) }}</strong>
                    <span v-if="l.sequence && l.steps < l.ofSteps" class="soft"
                      >Only {{ l.steps }} of {{ l.ofSteps }} steps</span
                    >
                    <span v-if="l.note" class="soft">{{ l.note }}</span>
                    <span v-if="l.shown" class="soft">Shown {{ when(l.shown) }}</span>
                    <span v-else-if="l.sequence" class="soft">Not shown in this term yet</span>
                  </span>
                  <router-link v-if="l.sequence" class="push" :to="`/plan/${l.sequence}`">Steps</router-link>
                  <button
                    v-if="today && l.sequence && (l.aim === 'teach' || l.aim === 'explain')"
                    class="push main"
                    @click="show(l.sequence, l.id)"
                  >
                    Show
                  </button>
                </li>
              </ol>
            </section>
            <section class="card" aria-label="Who needs what">
              <div class="title">
                <h2>Who needs what</h2>
                <span class="soft">{{
                  view.before
                    ? `The lab before was ${inLab(view.before)}`
                    : 'No lab before this one was marked'
                }}</span>
              </div>
              <ul class="needs">
                <li v-for="s in needy" :key="s.id">
                  <router-link class="who" :to="`/track/${s.id}`">{{ s.name }}</router-link>
                  <span class="what">
                    <span v-for="n in s.spared" :key="session.spared(n)" class="spare">{{
                      session.spared(n)
                    }}</span>
                    <span v-for="n in s.needs" :key="n">{{ n }}</span>
                  </span>
                </li>
              </ul>
              <p class="soft">
                {{
                  needy.length === 0
                    ? `Of the ${counted(view.students.length, 'student')} in this lab none is known to have missed what it works on.`
                    : others
                      ? `Of ${counted(others, 'other')} nothing of the kind is known.`
                      : ''
                }}
                What a lab showed is known of those who were marked at its door.
              </p>
            </section>
          </div>
          <div class="side">
            <SubstituteForm :term="term" :view="view" @changed="briefing.again" />
            <section class="card" aria-label="Shown before">
              <h2>Shown before</h2>
              <p v-if="!view.lately.length" class="soft">Nothing was shown in this term before this lab.</p>
              <ol class="lately">
                <li v-for="s in view.lately" :key="s.demonstration">
                  <strong>{{ s.name }}</strong>
                  <span class="soft">{{ when(s) }}</span>
                </li>
              </ol>
            </section>
          </div>
        </div>
        <NextLooks v-if="coming" :term="term" />
      </template>
    </template>
    <NoLab v-else-if="register" />
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(280px, 360px);
  gap: 14px;
  align-items: start;
}
.side {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.title {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
ol,
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-bottom: 1px solid var(--line);
  padding: 8px 0;
}
li:last-child {
  border-bottom: 0;
}
.lessons li {
  display: flex;
  gap: 12px;
  align-items: center;
}
.at {
  flex: none;
  width: 72px;
}
.at,
.what,
.lately li {
  display: flex;
  flex-direction: column;
  line-height: 1.3;
}
.what {
  flex: 1;
  min-width: 0;
}
.needs li {
  display: flex;
  gap: 12px;
  align-items: center;
}
.who {
  flex: none;
  width: 170px;
  min-height: var(--target);
  display: flex;
  align-items: center;
  font-weight: 650;
}
.spare {
  font-weight: 650;
}
@media (max-width: 900px) {
  .cols {
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }
}
@media (max-width: 640px) {
  .lessons li {
    flex-wrap: wrap;
  }
  .needs li {
    flex-direction: column;
    align-items: stretch;
    gap: 0;
  }
  .who {
    width: auto;
  }
}
</style>
