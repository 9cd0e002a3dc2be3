<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import { hue } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import { counted, day } from '@/parts/words'
import { fingerOf } from './track'
import ChoiceField from '@/parts/ChoiceField.vue'

/** The end of a term: what is still to release, what stays open, what goes on into the next. */
const props = defineProps<{ cohort: Schema['Cohort'] }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const path = { path: { term: props.cohort.term } }
const {
  data: closing,
  problem,
  loading,
  again,
} = useAsked(() => ask(api.GET('/api/terms/{term}/closing', { params: path })))
const release = ref(true)
const into = ref<string>()
const { busy, failed, during } = useCommand()
const lead = computed(() => session.person?.role === 'lead')
const closed = computed(() => closing.value?.closedAt != null)
const ready = computed(() => closing.value && !closing.value.running.length && !closing.value.waiting.length)
const LISTS = [
  { id: 'running', name: 'Still running', empty: 'None.', to: '/grade' },
  {
    id: 'waiting',
    name: 'Waiting for review',
    empty: 'None: everything finished has been awarded.',
    to: '/review',
  },
  { id: 'held', name: 'Awarded, not released', empty: 'None: students see every award.', to: '/review' },
] as const
async function go(close: boolean) {
  await during(async () => {
    if (close)
      await ask(
        api.POST('/api/terms/{term}/closing', {
          params: path,
          body: { release: release.value, into: into.value },
        }),
      )
    else await ask(api.DELETE('/api/terms/{term}/closing', { params: path }))
    await session.read()
    await again()
    emit('changed')
  })
}
</script>

<template>
  <Standing :problem="problem" :loading="loading && !closing" @again="again" />
  <div v-if="closing" class="cols">
    <div class="lists">
      <section v-for="l in LISTS" :key="l.id" class="card">
        <h2>
          {{ l.name }} <span class="soft">{{ closing[l.id].length }}</span>
        </h2>
        <p v-if="closing[l.id].length === 0" class="soft">{{ l.empty }}</p>
        <div v-else class="runs">
          <router-link v-for="p in closing[l.id]" :key="p.id" class="push" :to="`${l.to}/${p.id}`"
            >{{ p.student }}, {{ p.sequence }}, {{ day(p.startedAt) }}</router-link
          >
        </div>
      </section>
      <section class="card">
        <h2>
          Stays open: critical <span class="soft">{{ closing.open.length }}</span>
        </h2>
        <p v-if="closing.open.length === 0" class="soft">Nothing critical is open.</p>
        <div v-else class="runs">
          <router-link
            v-for="o in closing.open"
            :key="o.student + o.region + o.criterion"
            class="push"
            :to="`/track/${o.student}#${o.region}`"
            >{{ o.name }}, {{ session.regionName(o.region) }}:
            <b :style="{ color: hue(o.criterion) }">{{ fingerOf(o.criterion).name }}</b></router-link
          >
        </div>
        <p class="soft">It goes on into the next term, and is shown clean there.</p>
      </section>
    </div>
    <section class="card do" aria-label="Close the term">
      <h2>{{ closed ? 'This term is closed' : 'Close the term' }}</h2>
      <p>
        {{ counted(closing.states.secure ?? 0, 'bar') }} secure, {{ closing.states['due again'] ?? 0 }} due
        again, {{ closing.states.emerging ?? 0 }} emerging, {{ closing.states['at risk'] ?? 0 }} at risk,
        {{ closing.states['open critical'] ?? 0 }} open critical, {{ closing.states['not seen'] ?? 0 }} not
        seen.
      </p>
      <template v-if="closed">
        <p>
          Closed on {{ day(closing.closedAt!) }}; it is read only.
          {{
            closing.carriedInto
              ? 'What each student can do was carried over into the next term.'
              : 'Nothing was carried over.'
          }}
        </p>
        <button v-if="lead" class="push" :disabled="busy" @click="go(false)">Open it again</button>
      </template>
      <template v-else>
        <label class="check"
          ><input v-model="release" type="checkbox" /> Release what is held to the students</label
        >
        <ChoiceField
          v-model="into"
          label="Carry over into"
          :none="closing.next.length ? 'no other term' : 'no next term yet'"
          :options="closing.next"
        />
        <p v-if="closing.next.length === 0" class="soft">
          The next term is made under School, Terms; then it stands here.
        </p>
        <p class="soft">
          Carried over is what each student can do and how sure that is, a little less sure for the weeks
          between; and what is critical and open. The students join the next term. This term can be read and
          opened again.
        </p>
        <p v-if="!ready" class="hot">Finish, award or make void what is running or waiting first.</p>
        <p v-if="!lead" class="soft">The lead closes a term.</p>
        <button v-if="lead" class="push main" :disabled="busy || !ready" @click="go(true)">
          Close the term
        </button>
      </template>
      <Failed :of="failed" />
    </section>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: 1fr 380px;
  gap: 14px;
  align-items: start;
}
.lists {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.runs {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 8px 0;
}
.do {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.check {
  display: flex;
  font-weight: 600;
  align-items: center;
  min-height: var(--target);
  gap: 10px;
}
.check input {
  width: 22px;
  height: 22px;
}
.hot {
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 899px) {
  .cols {
    grid-template-columns: 1fr;
  }
}
</style>
