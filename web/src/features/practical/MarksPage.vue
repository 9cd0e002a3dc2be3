<script setup lang="ts">
import { nextTick, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { FINGERS, hue } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'

/** How each of the five scores comes about, in plain words, with the numbers of the school. */
const session = useSession()
const route = useRoute()
const { data: sections, problem, loading, again } = useAsked(() => ask(api.GET('/api/marks')))
const nameOf = (id: string | null | undefined) => FINGERS.find((f) => f.id === id)?.letter
watch(sections, () =>
  nextTick(() => route.hash && document.querySelector(route.hash)?.scrollIntoView({ block: 'start' })),
)
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>How a mark comes about</h1>
      <span class="soft">with the numbers of this school</span>
      <span class="grow" />
      <router-link v-if="session.staff" class="push" to="/school">School</router-link>
    </div>
    <Standing :problem="problem" :loading="loading && !sections" @again="again" />
    <section
      v-for="s in sections"
      :id="s.criterion ?? undefined"
      :key="s.title"
      class="card"
      :style="s.criterion && { '--hue': hue(s.criterion) }"
      :class="{ one: s.criterion }"
    >
      <h2>
        <span v-if="s.criterion" class="letter" aria-hidden="true">{{ nameOf(s.criterion) }}</span>{{
          s.title
        }}
      </h2>
      <p v-for="p in s.sentences" :key="p">{{ p }}</p>
    </section>
    <p class="law">{{ session.catalogue?.law }}</p>
  </div>
</template>

<style scoped>
.card {
  display: flex;
  flex-direction: column;
  gap: 8px;
  max-width: 900px;
}
.one {
  border-left: 6px solid var(--hue);
}
h2 {
  display: flex;
  gap: 10px;
  align-items: center;
}
.letter {
  width: 34px;
  height: 34px;
  border-radius: 50%;
  background: var(--hue);
  color: var(--on-hue);
  font: 700 18px/34px var(--head);
  text-align: center;
}
p {
  line-height: 1.5;
}
</style>
