<script setup lang="ts">
import { useRouter } from 'vue-router'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { usePages } from '@/api/usePages'
import { aimOf } from '@/features/calendar/term'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import { day, mmss } from '@/parts/words'
import { inSchool } from '@/parts/when'

const session = useSession()
const router = useRouter()
const { data: lines, problem, loading, again } = useAsked(() => ask(api.GET('/api/sequences')))
const { data: lessons } = useAsked(() => ask(api.GET('/api/demonstrations/lessons')))
const {
  lines: lately,
  more,
  earlier,
} = usePages((before) => ask(api.GET('/api/demonstrations', { params: { query: { before } } })))
const { failed, during } = useCommand()

const time = (iso: string) => inSchool(iso, { weekday: 'short', hour: '2-digit', minute: '2-digit' })

async function show(id: string, lesson?: string) {
  await during(async () => {
    const d = await ask(
      api.POST('/api/sequences/{id}/demonstrations', { params: { path: { id } }, body: { lesson } }),
    )
    await router.push(`/show/${d.id}`)
  })
}
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Show</h1>
      <span class="soft">Pick what the class will see; space, arrows, page keys or a tap go on.</span>
      <span class="grow" />
      <router-link class="push" to="/briefing">Briefing</router-link>
      <router-link class="push" to="/door">At the door</router-link>
      <router-link class="push" to="/show/rounds">Practice round</router-link>
    </div>
    <Standing :problem="problem ?? failed" :loading="loading && !lines" @again="again" />
    <p v-if="lines?.length === 0" class="card soft">
      There is no sequence to show yet; <router-link to="/plan">plan one first</router-link>.
    </p>
    <section v-if="lessons?.length" class="lately" aria-label="This week">
      <h2>This week</h2>
      <div v-for="l in lessons" :key="l.lesson" class="card line week">
        <span class="lines">
          <strong>{{ l.begins ? time(l.begins) : `Lab ${l.lab}` }}</strong>
          <span class="soft">{{ aimOf(l.aim).name }}, {{ l.minutes }} min</span>
        </span>
        <span class="lines">
          <strong>{{ l.name }}</strong>
          <span v-if="l.steps < l.ofSteps" class="soft">Only {{ l.steps }} of {{ l.ofSteps }} steps</span>
          <span v-if="l.note" class="soft">{{ l.note }}</span>
        </span>
        <span v-if="l.shown" class="soft">{{
          !l.shown.finished
            ? `not finished, ${l.shown.left} to come`
            : l.shown.left
              ? `shown, ${l.shown.left} left out`
              : 'shown'
        }}</span>
        <span v-else />
        <span class="does">
          <router-link v-if="l.shown && !l.shown.finished" class="push" :to="`/show/${l.shown.id}`"
            >Go on</router-link
          >
          <button
            v-else
            class="push"
            :class="{ main: l.aim === 'teach' }"
            @click="show(l.sequence, l.lesson)"
          >
            Show
          </button>
          <router-link
            class="push"
            :class="{ main: l.aim === 'practise' }"
            :to="`/show/rounds?sequence=${l.sequence}&minutes=${l.minutes}`"
            >Practice round</router-link
          >
        </span>
      </div>
    </section>
    <h2 v-if="lessons?.length && lines?.length" class="all">Every sequence</h2>
    <div class="tiles">
      <button v-for="l in lines" :key="l.id" class="card tile" @click="show(l.id)">
        <span class="soft">{{ session.regionName(l.region) }}</span>
        <strong>{{ l.name }}</strong>
        <span class="soft">{{ l.steps }} steps · {{ mmss(l.slotSeconds) }} slot</span>
      </button>
    </div>
    <section v-if="lately?.length" class="lately">
      <h2>Shown lately</h2>
      <router-link v-for="d in lately" :key="d.id" :to="`/show/${d.id}`" class="card line">
        <strong>{{ d.name }}</strong>
        <span class="soft"
          >{{ day(d.startedAt) }}{{ d.lab ? `, week ${d.lab.week}, lab ${d.lab.lab}` : '' }}</span
        >
        <span>{{ d.finished ? `${mmss(d.seconds)} of ${mmss(d.slotSeconds)}` : '' }}</span>
        <span v-if="!d.finished" class="open">not finished, {{ d.left }} to come</span>
        <span v-else>{{ d.left ? `${d.left} left out` : 'all of it' }}</span>
      </router-link>
      <button v-if="more" class="push earlier" @click="earlier">Earlier</button>
    </section>
    <p class="law">{{ session.catalogue?.law }}</p>
  </div>
</template>

<style scoped>
.tiles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 14px;
}
.tile {
  text-align: left;
  display: flex;
  flex-direction: column;
  gap: 8px;
  font: inherit;
  color: inherit;
  cursor: pointer;
  min-height: 120px;
}
.tile strong {
  font: 650 21px/1.2 var(--head);
  flex: 1;
}
.lately {
  display: flex;
  flex-direction: column;
  gap: 8px;
  margin-top: 22px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 2fr) 1fr 1fr 1.4fr;
  gap: 14px;
  align-items: center;
  min-height: var(--target);
  padding: 8px 16px;
  color: inherit;
  text-decoration: none;
}
.week {
  grid-template-columns: minmax(150px, 1fr) minmax(0, 2.4fr) minmax(0, 1fr) auto;
}
.lines {
  display: flex;
  flex-direction: column;
}
.lines .soft {
  font-size: 15px;
}
.does {
  display: flex;
  gap: 8px;
}
.all {
  margin-top: 22px;
}
.open {
  color: var(--warn);
  font-weight: 650;
}
@media (max-width: 899px) {
  .line,
  .week {
    grid-template-columns: 1fr;
    gap: 6px;
    padding: 12px 16px;
  }
  .tiles {
    grid-template-columns: 1fr;
  }
}
</style>
