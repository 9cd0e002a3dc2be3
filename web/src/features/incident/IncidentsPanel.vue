<script setup lang="ts">
import { useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { timeOf } from '@/parts/when'
import { counted, day } from '@/parts/words'

/** Stops that wait for their record, and the records one may read. A student sees those they are named in, and nothing where there are none. */
const session = useSession()
const router = useRouter()
const { data, problem, loading, again } = useAsked(() => ask(api.GET('/api/me/incidents')))
const { busy, failed, during } = useCommand()
const write = (s: Schema['StopToRecord']) =>
  during(async () => {
    const made = await ask(
      api.POST('/api/practicals/{id}/incidents', {
        params: { path: { id: s.practical } },
        body: { atMs: s.atMs, what: s.words ?? '' },
      }),
    )
    await router.push(`/incidents/${made.id}`)
  })
</script>

<template>
  <section v-if="session.staff || data?.records.length" class="card" aria-label="Incidents">
    <h2>Incidents</h2>
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <template v-if="data">
      <template v-if="data.toRecord.length">
        <p>{{ counted(data.toRecord.length, 'safety stop') }} without a record:</p>
        <ul aria-label="To be recorded">
          <li v-for="s in data.toRecord" :key="s.practical + s.atMs" class="due">
            <span
              ><strong>{{ s.student }}</strong> · {{ day(s.happenedAt) }}, {{ timeOf(s.happenedAt)
              }}{{ s.byClient ? ' · said by the client' : '' }}{{ s.words ? ` · ${s.words}` : '' }}</span
            >
            <router-link class="push" :to="`/review/${s.practical}`">Look at it</router-link>
            <button class="push main" :disabled="busy" @click="write(s)">Write it down</button>
          </li>
        </ul>
      </template>
      <Failed :of="failed" />
      <ul v-if="data.records.length" aria-label="Records">
        <li v-for="i in data.records" :key="i.id">
          <router-link :to="`/incidents/${i.id}`"
            >{{ day(i.happenedAt) }} · {{ i.student }} · {{ i.sequence }}</router-link
          >
          <span class="soft">{{ i.signedAt ? 'signed' : 'not signed yet' }} · {{ i.writtenBy }}</span>
        </li>
      </ul>
      <p v-else-if="!data.toRecord.length" class="soft">
        None. A safety stop at a table asks for a record here; it is read by the lead, who wrote it and those
        named in it.
      </p>
    </template>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 10px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  min-height: 52px;
  border-top: 1px solid var(--line);
}
li > :first-child {
  flex: 1 1 260px;
  min-width: 0;
}
a:not(.push) {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
}
.due strong {
  color: var(--stop);
}
</style>
