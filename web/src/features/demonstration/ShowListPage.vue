<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Problem } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import { day, mmss } from '@/parts/words'

const session = useSession()
const router = useRouter()
const { data: lines, problem, loading, again } = useAsked(() => ask(api.GET('/api/sequences')))
const { data: lately } = useAsked(() => ask(api.GET('/api/demonstrations')))
const failed = ref<Problem>()

async function show(id: string) {
  try {
    const d = await ask(
      api.POST('/api/sequences/{id}/demonstrations', { params: { path: { id } }, body: {} }),
    )
    await router.push(`/show/${d.id}`)
  } catch (e) {
    failed.value = e as Problem
  }
}
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Show</h1>
      <span class="soft">Pick what the class will see; space, arrows, page keys or a tap go on.</span>
    </div>
    <Standing :problem="problem ?? failed" :loading="loading && !lines" @again="again" />
    <p v-if="lines?.length === 0" class="card soft">
      There is no sequence to show yet; <router-link to="/plan">plan one first</router-link>.
    </p>
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
        <span class="soft">{{ day(d.startedAt) }}</span>
        <span>{{ d.finished ? `${mmss(d.seconds)} of ${mmss(d.slotSeconds)}` : '' }}</span>
        <span v-if="!d.finished" class="open">not finished, {{ d.left }} to come</span>
        <span v-else>{{ d.left ? `${d.left} left out` : 'all of it' }}</span>
      </router-link>
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
.open {
  color: var(--warn);
  font-weight: 650;
}
</style>
