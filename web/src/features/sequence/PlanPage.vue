<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'
import { useIncoming } from '@/parts/useIncoming'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import TableFigure from '@/parts/TableFigure.vue'
import { counted, mmss } from '@/parts/words'

const session = useSession()
const router = useRouter()
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
/** A new sequence: bare, or by a template laid over its zones. */
const starting = ref(false)
const fresh = ref({ name: '', region: '', minutes: 20, template: '', zones: [] as string[], lines: '' })
/** The routine as it was written down, a line a step. */
const WRITTEN = 'written'
const written = computed(() =>
  fresh.value.lines
    .split(/\r?\n/)
    .map((l) => l.replaceAll('\t', ' ').trim())
    .filter(Boolean),
)
const startable = computed(() =>
  fresh.value.template === WRITTEN ? written.value.length > 0 : fresh.value.zones.length > 0,
)
const { busy: beginning, failed: freshProblem, during } = useCommand()
const ofRegion = computed(() =>
  [...session.zones.values()].filter(
    (z) => z.region === fresh.value.region || fresh.value.region === 'whole-body',
  ),
)
watch(
  () => fresh.value.region,
  () => (fresh.value.zones = []),
)
const nameField = ref<HTMLInputElement>()
function begin(open: boolean) {
  starting.value = open
  if (open) void nextTick(() => nameField.value?.focus())
  freshProblem.value = undefined
  fresh.value.region = region.value ?? fresh.value.region
}
async function unread(lines: string[]) {
  const ids = lines.map((_, i) => `step-${i + 1}`)
  const jotted = await ask(api.POST('/api/drafts/lines', { body: { lines, ids } }))
  return jotted.filter((j) => j.asked).map((j) => j.line)
}
async function start() {
  const f = fresh.value
  await during(async () => {
    const made = await ask(
      api.POST('/api/sequences', {
        body: {
          name: f.name,
          region: (f.region || undefined) as 'foot',
          slotSeconds: f.minutes * 60,
          ...(f.template === WRITTEN
            ? { lines: written.value }
            : { template: (f.template || undefined) as 'protocol', zones: f.zones as never[] }),
        },
      }),
    )
    // What is no step yet is asked there.
    const asked = f.template === WRITTEN ? await unread(written.value) : []
    await router.push({ path: `/plan/${made.sequence.id}`, state: { lines: asked } })
  })
}
/** A file shows what it would change first; then all of it is taken, or nothing. */
const EFFECT = { new: 'new', changed: 'would change', same: 'says the same' } as const
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
        <button class="push main" :aria-expanded="starting" @click="begin(!starting)">New sequence</button>
      </template>
    </div>
    <form v-if="starting" class="card fresh" aria-label="New sequence" @submit.prevent="start">
      <label class="name">
        Name
        <input ref="nameField" v-model.trim="fresh.name" maxlength="200" required />
      </label>
      <label>
        Region
        <select v-model="fresh.region" required>
          <option value="" disabled>Choose…</option>
          <option v-for="r in session.catalogue?.regions" :key="r.id" :value="r.id">{{ r.name }}</option>
        </select>
      </label>
      <label>
        Minutes, both sides
        <input v-model.number="fresh.minutes" type="number" min="1" max="240" required />
      </label>
      <label>
        Start with
        <select v-model="fresh.template">
          <option value="">an opening and an end</option>
          <option :value="WRITTEN">my own lines</option>
          <option v-for="t in session.catalogue?.templates" :key="t.id" :value="t.id">
            {{ t.name }}: {{ t.words }}
          </option>
        </select>
      </label>
      <label v-if="fresh.template === WRITTEN" class="name lines">
        Write it down or paste it, a line a step
        <textarea
          v-model="fresh.lines"
          rows="9"
          maxlength="40000"
          placeholder="prone, bolster under the ankles
palm glides up the back of the thigh, 6 x 15 s
knead hamstrings, alternate hands, 1 minute; if it hurts, lighter"
        />
      </label>
      <div v-else class="zones" role="group" aria-label="Zones, in order">
        <span class="soft">{{
          fresh.region ? 'Zones, in order' : 'Choose a region: its zones stand here.'
        }}</span>
        <button
          v-for="z in ofRegion"
          :key="z.id"
          type="button"
          class="push"
          :class="{ main: fresh.zones.includes(z.id) }"
          :aria-pressed="fresh.zones.includes(z.id)"
          @click="
            fresh.zones = fresh.zones.includes(z.id)
              ? fresh.zones.filter((x) => x !== z.id)
              : [...fresh.zones, z.id]
          "
        >
          {{ fresh.zones.includes(z.id) ? `${fresh.zones.indexOf(z.id) + 1} ` : '' }}{{ z.name }}
        </button>
      </div>
      <Failed class="wide" :of="freshProblem" />
      <button class="push main" :disabled="!startable || beginning">Start it</button>
      <span v-if="fresh.region && fresh.template !== WRITTEN && fresh.zones.length === 0" class="soft">
        Touch the zones it works on first.</span
      >
    </form>
    <div v-if="fileProblem" class="card" role="alert">
      <h2>The file was not read; nothing was stored</h2>
      <p>{{ fileProblem.detail }}</p>
      <ul>
        <li v-for="f in fileProblem.faults" :key="f.field + f.reason">
          {{ f.field }}{{ f.value ? ` “${f.value}”` : '' }} {{ f.reason }}
        </li>
      </ul>
    </div>
    <section v-if="incoming" class="card" aria-label="What the file would change">
      <h2>What the file would change</h2>
      <ul class="coming">
        <li v-for="l in incoming.preview" :key="l.id">
          <strong>{{ l.name }}</strong> <span class="soft">{{ l.steps }} steps, {{ EFFECT[l.effect] }}</span>
          <p v-if="l.brings.length">
            Brings techniques this school does not have: {{ l.brings.join(', ') }}.
          </p>
          <ul v-if="l.changes.length">
            <li v-for="c in l.changes" :key="c">{{ c }}</li>
          </ul>
        </li>
      </ul>
      <button class="push main" @click="takeFile">Take all of it</button>
      <button class="push" @click="incoming = undefined">Leave it</button>
    </section>
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
          <button v-if="!starting && session.plans" class="push main" @click="begin(true)">
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
          <button v-if="!starting && session.plans" class="push main" @click="begin(true)">Begin one</button>
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
.fresh {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}
.fresh label {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
}
.fresh .name {
  flex: 1;
  min-width: 220px;
}
.fresh input,
.fresh select {
  display: block;
  width: 100%;
  max-width: 420px;
  min-height: var(--target);
  border: 1.5px solid var(--line);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 15px var(--text);
  padding: 0 12px;
}
.fresh .lines {
  flex-basis: 100%;
}
.lines textarea {
  width: 100%;
  border: 1.5px solid var(--line);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 15px var(--text);
  line-height: 1.5;
  padding: 10px 12px;
}
.zones {
  width: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.wide {
  width: 100%;
}
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
