<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useIncoming } from '@/parts/useIncoming'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import TableFigure from '@/parts/TableFigure.vue'
import { counted, mmss } from '@/parts/words'
import IncomingSequences from './IncomingSequences.vue'
import NewSequenceForm from './NewSequenceForm.vue'

/** The sequences of the school by region, on a figure and in a list; a new one begins here, or comes in a file. */

const session = useSession()
const { data: lines, problem, loading, again } = useAsked(() => ask(api.GET('/api/sequences')))
const region = ref<string>()
const front = ref(false)
const picker = ref<HTMLInputElement>()

const regions = computed(() => {
  const taught = new Map<string, number>()
  lines.value?.forEach((l) => taught.set(l.region, (taught.get(l.region) ?? 0) + 1))
  return taught
})
const groups = computed(() =>
  (session.catalogue?.regions ?? [])
    .map((r) => ({ ...r, lines: lines.value?.filter((l) => l.region === r.id) ?? [] }))
    .filter((g) => g.lines.length > 0 && (!region.value || g.id === region.value)),
)
const marked = computed(() =>
  [...session.zones.values()]
    .filter((z) => (region.value ? z.region === region.value : regions.value.has(z.region)))
    .map((z) => z.id),
)
function touch(zone: string) {
  const picked = session.zones.get(zone)?.region
  region.value = picked === region.value ? undefined : picked
}
/** A region that was touched on the figure and has no sequence yet. */
const bare = computed(() => lines.value?.length && region.value && !regions.value.has(region.value))
const starting = ref(false)
/** A file shows what it would change first; then all of it is taken, or nothing. */
const { incoming, fileProblem, readFile, takeFile } = useIncoming({
  given: async (file): Promise<Schema['IncomingFile']> => ({
    kind: /\.csv$/i.test(file.name) || file.type === 'text/csv' ? 'steps' : 'sequence',
    text: await file.text(),
  }),
  preview: (body) => ask(api.POST('/api/sequences/incoming/preview', { body })),
  take: async (body) => {
    await ask(api.POST('/api/sequences/incoming', { body }))
    await again()
  },
})
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Plan</h1>
      <span class="soft">{{
        lines?.length ? `${counted(lines.length, 'sequence')} in ${counted(regions.size, 'region')}` : ''
      }}</span>
      <span class="grow" />
      <input
        ref="picker"
        type="file"
        accept=".json,.csv,application/json,text/csv"
        class="sr"
        aria-label="Sequence file"
        @change="readFile"
      />
      <router-link class="push" to="/techniques">Techniques</router-link>
      <router-link class="push" to="/term">The term</router-link>
      <template v-if="session.plans">
        <button class="push" @click="picker?.click()">Read a file</button>
        <button class="push main" :aria-expanded="starting" @click="starting = !starting">
          New sequence
        </button>
      </template>
    </div>
    <NewSequenceForm v-if="starting" :region="region" />
    <div v-if="fileProblem" class="card" role="alert">
      <h2>The file was not read; nothing was stored</h2>
      <p>{{ fileProblem.detail }}</p>
      <ul>
        <li v-for="f in fileProblem.faults" :key="f.field + f.reason">
          {{ f.field }}{{ f.value ? ` “${f.value}”` : '' }} {{ f.reason }}
        </li>
      </ul>
    </div>
    <IncomingSequences
      v-if="incoming"
      :coming="incoming.preview"
      @take="takeFile"
      @leave="incoming = undefined"
    />
    <Standing :problem="problem" :loading="loading && !lines" @again="again" />
    <div v-if="lines" class="cols">
      <aside class="card pick">
        <div class="turn">
          <button class="push" :aria-pressed="!front" :class="{ main: !front }" @click="front = false">
            Back
          </button>
          <button class="push" :aria-pressed="front" :class="{ main: front }" @click="front = true">
            Front
          </button>
        </div>
        <div class="fig">
          <TableFigure
            :position="front ? 'supine' : 'prone'"
            :working="{ zones: marked, side: 'both', through: false }"
            touchable
            label="Regions with sequences; touch one to see only its own"
            @touch="touch"
          />
        </div>
      </aside>
      <div class="groups">
        <div v-if="lines.length === 0" class="card">
          <h2>No sequence yet</h2>
          <p class="soft">
            Write it down in your own lines, a step each; or lay a template over the zones it works; or read a
            file of the open format.
          </p>
          <button v-if="!starting && session.plans" class="push main" @click="starting = true">
            Begin the first sequence
          </button>
        </div>
        <div v-if="lines.length" class="chips" role="group" aria-label="Regions">
          <button class="push" :class="{ main: !region }" :aria-pressed="!region" @click="region = undefined">
            All regions
          </button>
          <button
            v-for="[id, count] in regions"
            :key="id"
            class="push"
            :class="{ main: region === id }"
            :aria-pressed="region === id"
            @click="region = region === id ? undefined : id"
          >
            {{ session.regionName(id) }} <span v-if="count > 1">{{ count }}</span>
          </button>
        </div>
        <div v-if="bare" class="card">
          <h2>No sequence for {{ session.regionName(region!).toLowerCase() }} yet</h2>
          <button v-if="!starting && session.plans" class="push main" @click="starting = true">
            Begin one
          </button>
        </div>
        <section v-for="g in groups" :key="g.id" class="card">
          <h2>{{ g.name }}</h2>
          <router-link v-for="l in g.lines" :key="l.id" :to="`/plan/${l.id}`" class="line">
            <strong>{{ l.name }}</strong>
            <span class="soft">{{ l.steps }} steps</span>
            <span class="time">
              <span class="bar"
                ><span
                  :class="{ over: l.totalSeconds > l.slotSeconds }"
                  :style="{ width: Math.min(100, (100 * l.totalSeconds) / (l.slotSeconds || 1)) + '%' }"
              /></span>
              {{ mmss(l.totalSeconds) }} of {{ mmss(l.slotSeconds) }}
            </span>
            <span class="say">
              <b v-if="l.damaged" class="stop" :title="l.damaged">damaged</b>
              <b v-if="l.stops" class="stop">{{ l.stops }} stop</b>
              <b v-if="l.warns" class="warn">{{ l.warns }} warn</b>
              <b v-if="l.hints" class="hint">{{ l.hints }} {{ l.hints === 1 ? 'hint' : 'hints' }}</b>
              <span v-if="!l.damaged && !l.stops && !l.warns && !l.hints" class="soft">no findings</span>
            </span>
          </router-link>
        </section>
        <p class="law">{{ session.catalogue?.law }}</p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: 250px 1fr;
  gap: 14px;
  align-items: start;
}
.pick {
  position: sticky;
  top: 14px;
}
.turn,
.chips {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.turn .push {
  flex: 1;
}
.fig {
  height: min(560px, calc(100dvh - 200px));
  margin-top: 10px;
}
.groups {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.groups .card {
  padding: 10px 16px;
}
.line {
  display: grid;
  grid-template-columns: minmax(180px, 1fr) 72px 230px 176px;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  text-decoration: none;
  font-size: 16px;
}
.line:hover strong {
  text-decoration: underline;
}
.time {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 14px;
}
.bar {
  width: 100px;
  height: 8px;
  border-radius: 4px;
  background: var(--mechanics-wash);
  overflow: hidden;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--good);
}
.bar span.over {
  background: var(--stop);
}
.say {
  display: flex;
  gap: 10px;
  white-space: nowrap;
  font-size: 14px;
}
@media (max-width: 1100px) {
  .line {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 12px;
    padding-block: 6px;
  }
  .time {
    grid-column: 1;
  }
}
/* On a phone the names of the regions do what the figure does. */
@media (max-width: 640px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
  .pick {
    display: none;
  }
  .chips {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .chips .push {
    flex: none;
  }
}
.stop {
  color: var(--stop);
}
.warn {
  color: var(--warn);
}
.hint {
  color: var(--hint);
}
</style>
