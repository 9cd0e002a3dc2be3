<script setup lang="ts">
import { computed } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { counted, day, points } from '@/parts/words'
import InitialsForm from './InitialsForm.vue'

/** Own awards that have no initials yet; whoever awards anew signs anew. */
const session = useSession()
const term = computed(() => session.term?.id)
const { data, problem, loading, again } = useAsked(async () =>
  term.value ? ask(api.GET('/api/terms/{term}/unsigned', { params: { path: { term: term.value } } })) : [],
)
const { busy, failed, during } = useCommand()
const sign = (awards: { practical: string; revision: number }[]) =>
  during(async () => {
    data.value = await ask(
      api.POST('/api/terms/{term}/signatures', {
        params: { path: { term: term.value! } },
        body: { awards: awards.map((a) => ({ practical: a.practical, revision: a.revision })) },
      }),
    )
  })
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Initials</h1>
      <span class="soft">They stand under each award that you sign, and on what the school hands out.</span>
    </div>
    <section class="card"><InitialsForm /></section>
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <section v-if="data" class="card" aria-label="Awards to sign">
      <div class="head">
        <h2>{{ data.length ? counted(data.length, 'award') + ' to sign' : 'All your awards are signed' }}</h2>
        <button v-if="data.length" class="push main" :disabled="busy" @click="sign(data)">
          Sign {{ data.length === 1 ? 'it' : `all ${data.length}` }}
        </button>
      </div>
      <Failed :of="failed" />
      <ul v-if="data.length">
        <li v-for="a in data" :key="a.practical">
          <router-link :to="`/review/${a.practical}`"
            >{{ day(a.at) }} · {{ a.student }} · {{ a.sequence }}</router-link
          >
          <span>{{ points(a.mean) }} · {{ a.result }}</span>
          <button
            class="push"
            :disabled="busy"
            :aria-label="`Sign: ${a.student}, ${a.sequence}, ${day(a.at)}`"
            @click="sign([a])"
          >
            Sign
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  min-height: 48px;
  border-top: 1px solid var(--line);
}
a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
  min-width: 0;
}
</style>
