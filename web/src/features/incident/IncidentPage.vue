<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { timeOf } from '@/parts/when'
import { day, mmss, spoken } from '@/parts/words'
import IncidentForm from './IncidentForm.vue'

/** One record: changed until it is signed, added to after. */
const props = defineProps<{ id: string }>()
const session = useSession()
const path = computed(() => ({ path: { id: props.id } }))
const { data, problem, loading, again } = useAsked(() =>
  ask(api.GET('/api/incidents/{id}', { params: path.value })),
)
const { busy, failed, during } = useCommand()
const addition = ref('')
const PARTS = { who: 'Who', what: 'What happened', done: 'What was done', told: 'Who was told' } as const
const save = (words: Record<keyof typeof PARTS, string>, named: string[]) =>
  during(async () => {
    data.value = await ask(
      api.PUT('/api/incidents/{id}', {
        params: path.value,
        body: { revision: data.value!.revision, ...words, named },
      }),
    )
  })
const sign = () =>
  during(async () => {
    data.value = await ask(
      api.POST('/api/incidents/{id}/signature', {
        params: path.value,
        body: { revision: data.value!.revision },
      }),
    )
  })
const add = () =>
  during(async () => {
    data.value = await ask(
      api.POST('/api/incidents/{id}/additions', { params: path.value, body: { words: addition.value } }),
    )
    addition.value = ''
  })
</script>

<template>
  <div class="page">
    <div class="top">
      <router-link :to="session.staff ? '/raised' : '/me'" class="push" aria-label="Back">←</router-link>
      <h1>Incident</h1>
      <span v-if="data" class="soft"
        >{{ day(data.happenedAt) }}, {{ timeOf(data.happenedAt) }} · {{ mmss(data.atMs / 1000) }} into
        {{ data.sequence }} · {{ data.student
        }}<template v-if="data.partner"> on {{ data.partner }}</template></span
      >
    </div>
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <template v-if="data">
      <section v-if="data.open" class="card" aria-label="What is written">
        <IncidentForm :key="data.revision" :of="data" :busy="busy" @save="save" />
      </section>
      <section v-else class="card" aria-label="What is written">
        <dl>
          <template v-for="(label, part) in PARTS" :key="part">
            <dt>{{ label }}</dt>
            <dd>{{ data[part] || '–' }}</dd>
          </template>
        </dl>
        <p class="soft">
          Read by the lead, {{ data.writtenBy
          }}{{ data.named.length ? `, ${spoken(data.named.map((n) => n.name))}` : '' }}.
        </p>
      </section>
      <section class="card" aria-label="Signature">
        <p v-if="data.signedAt">
          Signed by <strong>{{ data.signedBy }}</strong> on {{ day(data.signedAt) }},
          {{ timeOf(data.signedAt) }}. It is changed no more.
        </p>
        <template v-else>
          <p v-if="data.missing.length" class="soft">
            Before it is signed it needs:
            {{ spoken(data.missing.map((m) => PARTS[m as keyof typeof PARTS].toLowerCase())) }}.
          </p>
          <button
            v-if="data.open"
            class="push main"
            :disabled="busy || data.missing.length > 0"
            @click="sign"
          >
            Sign it as it stands
          </button>
          <p v-else class="soft">Written by {{ data.writtenBy }}, not signed yet.</p>
        </template>
        <Failed :of="failed" />
      </section>
      <section v-if="data.signedAt" class="card" aria-label="Added later">
        <h2>Added later</h2>
        <p v-for="(a, i) in data.additions" :key="i">
          {{ a.words }} <span class="soft">— {{ a.by }}, {{ day(a.at) }}, {{ timeOf(a.at) }}</span>
        </p>
        <form class="later" @submit.prevent="add">
          <label
            >What is known since <textarea v-model="addition" required rows="2" maxlength="4000" />
          </label>
          <button class="push" :disabled="busy">Add it below</button>
        </form>
      </section>
      <p class="law">{{ session.catalogue?.law }}</p>
    </template>
  </div>
</template>

<style scoped>
.card {
  max-width: 860px;
}
dt {
  font-weight: 650;
}
dd {
  margin: 0 0 10px;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.later,
.later label {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
}
.later label {
  width: 100%;
}
</style>
