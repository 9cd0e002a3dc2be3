<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import { vTyped } from '@/parts/typed'
import Standing from '@/parts/Standing.vue'
import { capital, word } from '@/parts/words'

/** What a school decides where teachers disagree: what each answer means, who differs, and what it would change in a sequence. */
const props = defineProps<{ id: string }>()
const session = useSession()
const { data: view, problem, loading, again } = useAsked(() => ask(api.GET('/api/settings')))
const { data: profiles } = useAsked(() => ask(api.GET('/api/profiles')))
const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))
const settings = ref<Record<string, string>>({})
const numbers = ref<Record<string, number>>({})
const zones = ref<Record<string, string[]>>({})
const scope = ref<Record<string, string>>({})
const severities = ref<Record<string, string>>({})
const sequence = ref('')
const effect = ref<Schema['TryView']>()
const { failed, during } = useCommand()
const saved = ref(false)
const LEVELS = ['not-taught', 'theory-only', 'supervised', 'allowed']
const GRAVITY = ['off', 'hint', 'warn', 'stop']
const lead = computed(() => session.person?.role === 'lead')
const SCOPE = 'What may be beyond scope'
const GRAVE = 'How grave each rule is'
const group = ref('')
const words = ref('')
/** Every heading there is something under, in the order of the profile. */
const groups = computed(() => [
  ...new Set([...(view.value?.settings ?? []), ...(view.value?.numbers ?? [])].map((r) => r.group)),
  SCOPE,
  GRAVE,
])
/** Whether a row is shown: where words are looked for, all that have them; else those of the group that is open. */
function shown(of: string, ...texts: string[]): boolean {
  const asked = words.value.trim().toLowerCase().split(/\s+/).filter(Boolean)
  if (!asked.length) return of === (group.value || groups.value[0])
  const text = [of, ...texts].join(' ').toLowerCase()
  return asked.every((w) => text.includes(w))
}
const found = computed(() => {
  const v = view.value
  return {
    settings:
      v?.settings.filter((s) => shown(s.group, s.question, ...s.rules, ...s.options.map((o) => o.label))) ??
      [],
    zones: v?.zones.filter((z) => shown(z.group, z.question, ...z.rules, ...zoneNames.value)) ?? [],
    numbers: v?.numbers.filter((n) => shown(n.group, n.name, ...n.rules)) ?? [],
    topics: v?.topics.filter((t) => shown(SCOPE, t.name, t.caution)) ?? [],
    rules: v?.rules.filter((r) => r.ofPlans && shown(GRAVE, r.id, r.meaning)) ?? [],
  }
})
const zoneNames = computed(() => session.catalogue?.zones.map((z) => z.name) ?? [])
/** The zones of the catalogue, by region. */
const regions = computed(() => {
  const by = new Map<string, Schema['ZoneWord'][]>()
  for (const z of session.catalogue?.zones ?? []) by.set(z.region, [...(by.get(z.region) ?? []), z])
  return [...by]
})
const chosen = (z: Schema['ZonesView']): string[] => zones.value[z.id] ?? z.chosen[props.id] ?? []
function toggle(z: Schema['ZonesView'], zone: string) {
  saved.value = false
  const now = chosen(z)
  const to = now.includes(zone) ? now.filter((x) => x !== zone) : [...now, zone]
  const next = { ...zones.value, [z.id]: to }
  if ([...to].sort().join() === [...(z.chosen[props.id] ?? [])].sort().join()) delete next[z.id]
  zones.value = next
}
const moves = (rules: string[]) => (rules.length ? rules.join(', ') : 'changes marks, not findings')
/** What all numbers that are shown move, where it is one thing: it is said once. */
const oneRule = computed(() => {
  const all = new Set(found.value.numbers.map((n) => moves(n.rules)))
  return all.size === 1 && found.value.numbers.length > 1 ? [...all][0] : undefined
})
const nothing = computed(() => Object.values(found.value).every((rows) => rows.length === 0))
const name = (id: string) => profiles.value?.find((p) => p.profile.id === id)?.profile.name ?? id
const dirty = computed(
  () =>
    Object.keys(settings.value).length +
      Object.keys(numbers.value).length +
      Object.keys(zones.value).length +
      Object.keys(scope.value).length +
      Object.keys(severities.value).length >
    0,
)
/** Who answers otherwise, by name and answer. */
function others(chosen: Record<string, string>, mine: string, label: (v: string) => string): string {
  const differ = Object.entries(chosen).filter(([id, v]) => id !== props.id && v !== mine)
  return differ.map(([id, v]) => `${name(id)}: ${label(v)}`).join(' · ')
}
function setNumber(n: Schema['NumberView'], event: Event) {
  saved.value = false
  failed.value = undefined
  const value = Number((event.target as HTMLInputElement).value)
  const next = { ...numbers.value, [n.id]: value }
  if (value === n.chosen[props.id]) delete next[n.id]
  numbers.value = next
}
function put(map: Record<string, string>, key: string, value: string, now: string | undefined) {
  saved.value = false
  const next = { ...map, [key]: value }
  if (value === now) delete next[key]
  return next
}
const body = computed(
  () =>
    ({
      sequence: sequence.value || undefined,
      settings: settings.value,
      numbers: numbers.value,
      zones: zones.value,
      scope: scope.value,
      severities: severities.value,
    }) as Schema['ProfileChanges'],
)
watch(sequences, (all) => (sequence.value ||= all?.[0]?.id ?? ''))
let turn = 0
watch([body, sequence], async () => {
  const mine = ++turn
  if (!sequence.value) return
  try {
    const answer = await ask(
      api.POST('/api/profiles/{id}/try', { params: { path: { id: props.id } }, body: body.value }),
    )
    if (mine === turn) effect.value = answer
  } catch (e) {
    if (mine === turn) failed.value = e as Problem
  }
})
async function save() {
  await during(async () => {
    view.value = await ask(
      api.PUT('/api/school/profiles/{id}', { params: { path: { id: props.id } }, body: body.value }),
    )
    settings.value = {}
    numbers.value = {}
    zones.value = {}
    scope.value = {}
    severities.value = {}
    saved.value = true
  })
}
</script>

<template>
  <div class="page">
    <div class="top">
      <router-link to="/school" class="push" aria-label="Back to the school">←</router-link>
      <h1>{{ name(id) }}</h1>
      <span class="soft">what this school decides</span>
      <span class="grow" />
      <span v-if="saved" role="status">Saved as a new version.</span>
      <button v-if="lead" class="push main" :disabled="!dirty" @click="save">Save</button>
      <span v-else class="soft">only the lead can save</span>
    </div>
    <Standing :problem="problem" :loading="loading && !view" @again="again" />
    <Failed class="card" :of="failed" />
    <div v-if="view" class="cols">
      <div class="all">
        <section class="card find" aria-label="Find a decision">
          <input
            v-model="words"
            type="search"
            placeholder="Find a word: silence, thumb, sheet"
            aria-label="Find"
          />
          <div class="options" role="group" aria-label="Groups">
            <button
              v-for="g in groups"
              :key="g"
              class="push"
              :class="{ main: !words.trim() && g === (group || groups[0]) }"
              :aria-pressed="!words.trim() && g === (group || groups[0])"
              @click="((group = g), (words = ''))"
            >
              {{ g }}
            </button>
          </div>
          <p v-if="nothing" class="soft">Nothing has these words. Try one of them alone.</p>
        </section>
        <section v-if="found.settings.length" class="card" aria-label="Where teachers disagree">
          <h2>Where teachers disagree</h2>
          <div v-for="s in found.settings" :key="s.id" class="one" role="group" :aria-label="s.question">
            <h3>{{ s.question }}</h3>
            <div class="options">
              <button
                v-for="o in s.options"
                :key="o.id"
                class="push"
                :class="{ main: (settings[s.id] ?? s.chosen[id]) === o.id }"
                :aria-pressed="(settings[s.id] ?? s.chosen[id]) === o.id"
                @click="settings = put(settings, s.id, o.id, s.chosen[id])"
              >
                {{ o.label }}
              </button>
            </div>
            <p class="soft small">
              {{ moves(s.rules) }}
              <template
                v-if="
                  others(
                    s.chosen,
                    settings[s.id] ?? s.chosen[id] ?? '',
                    (v) => s.options.find((o) => o.id === v)?.label ?? v,
                  )
                "
              >
                · differs:
                {{
                  others(
                    s.chosen,
                    settings[s.id] ?? s.chosen[id] ?? '',
                    (v) => s.options.find((o) => o.id === v)?.label ?? v,
                  )
                }}
              </template>
            </p>
          </div>
        </section>
        <section v-for="z in found.zones" :key="z.id" class="card" :aria-label="z.question">
          <h2>{{ z.question }}</h2>
          <p class="soft small">{{ z.rules.join(', ') }}</p>
          <div v-for="[region, all] in regions" :key="region" class="region">
            <h3>{{ session.regionName(region) }}</h3>
            <div class="options">
              <button
                v-for="zone in all"
                :key="zone.id"
                class="push"
                :class="{ main: chosen(z).includes(zone.id) }"
                :aria-pressed="chosen(z).includes(zone.id)"
                :disabled="z.always.includes(zone.id)"
                :title="z.always.includes(zone.id) ? 'At every school' : undefined"
                @click="toggle(z, zone.id)"
              >
                {{ zone.name }}
              </button>
            </div>
          </div>
        </section>
        <section v-if="found.numbers.length" class="card" aria-label="Numbers">
          <h2>Numbers</h2>
          <p v-if="oneRule" class="soft small">{{ oneRule }}</p>
          <div v-for="n in found.numbers" :key="n.id" class="rule">
            <div>
              <strong>{{ n.name }}</strong>
              <p class="soft small">
                <template v-if="!oneRule">{{ moves(n.rules) }}</template>
                <template v-if="n.usual && n.usual[id] !== (numbers[n.id] ?? n.chosen[id])">
                  {{ oneRule ? '' : '· ' }}our own; usual: {{ n.usual[id] }}
                </template>
                <template
                  v-for="[other, value] in Object.entries(n.chosen).filter(
                    ([who, v]) => who !== id && v !== (numbers[n.id] ?? n.chosen[id]),
                  )"
                  :key="other"
                >
                  · {{ name(other) }}: {{ value }}
                </template>
              </p>
            </div>
            <label class="number">
              <input
                v-typed="numbers[n.id] ?? n.chosen[id]"
                type="number"
                :min="n.least"
                :max="n.most"
                :step="n.whole ? 1 : 'any'"
                :aria-label="n.name"
                @change="setNumber(n, $event)"
              />
              {{ n.unit }}
            </label>
          </div>
        </section>
        <section v-if="found.topics.length" class="card" aria-label="What may be beyond scope">
          <h2>What may be beyond scope</h2>
          <p class="law">{{ view.whoDecides }}</p>
          <div v-for="t in found.topics" :key="t.id" class="one" role="group" :aria-label="t.name">
            <h3>{{ t.name }}</h3>
            <p class="soft small">⚠ {{ t.caution }}</p>
            <div class="options">
              <button
                v-for="l in LEVELS"
                :key="l"
                class="push"
                :class="{ main: (scope[t.id] ?? t.chosen[id]) === l }"
                :aria-pressed="(scope[t.id] ?? t.chosen[id]) === l"
                @click="scope = put(scope, t.id, l, t.chosen[id])"
              >
                {{ word(l) }}
              </button>
            </div>
          </div>
        </section>
        <section v-if="found.rules.length" class="card" aria-label="How grave each rule is">
          <h2>How grave each rule is</h2>
          <div v-for="r in found.rules" :key="r.id" class="rule" role="group" :aria-label="r.id">
            <div>
              <strong>{{ r.id }}</strong>
              <p class="soft small">{{ r.meaning }}</p>
            </div>
            <select
              :aria-label="`${r.id} is`"
              :value="severities[r.id] ?? r.chosen[id]"
              @change="
                severities = put(severities, r.id, ($event.target as HTMLSelectElement).value, r.chosen[id])
              "
            >
              <option v-for="g in GRAVITY" :key="g">{{ g }}</option>
            </select>
          </div>
        </section>
      </div>
      <aside class="card try" aria-label="What it changes">
        <h2>What it changes</h2>
        <label>
          in
          <select v-model="sequence" aria-label="Sequence to try on">
            <option v-for="s in sequences" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select>
        </label>
        <p v-if="!dirty" class="soft">
          Nothing yet: change an answer and see here what a sequence would be told.
        </p>
        <p v-else-if="effect && !effect.come.length && !effect.gone.length" class="soft">
          Nothing in this sequence.
        </p>
        <article v-for="f in dirty ? effect?.come : []" :key="'+' + f.key" :class="f.severity">
          <strong>New: {{ capital(f.severity) }}</strong> <span class="soft small">{{ f.rule }}</span>
          <p>{{ f.sentence }}</p>
        </article>
        <article v-for="f in dirty ? effect?.gone : []" :key="'-' + f.key" class="gone">
          <strong>No longer: {{ capital(f.severity) }}</strong> <span class="soft small">{{ f.rule }}</span>
          <p>{{ f.sentence }}</p>
        </article>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: 1fr 360px;
  gap: 14px;
  align-items: start;
}
.all {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.one {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}
h3 {
  font-size: 16px;
}
.region {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 0 14px;
  align-items: baseline;
  border-top: 1px solid var(--line);
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0 4px;
}
.small {
  font-size: 13.5px;
}
.number {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 150px;
}
.number input {
  width: 92px;
}
.find input {
  width: 100%;
}
.number input,
.find input {
  min-height: var(--target);
  border: 1.5px solid var(--ink);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 600 16px var(--text);
  padding: 0 10px;
}
.rule {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
select {
  min-height: var(--target);
  max-width: 100%;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  color: var(--ink);
  font: 600 15px var(--text);
  padding: 0 8px;
}
.try {
  position: sticky;
  top: 14px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  max-height: calc(100dvh - 30px);
  overflow-y: auto;
}
@media (max-width: 900px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
  .try {
    position: static;
    max-height: none;
  }
}
article {
  border-left: 5px solid var(--hint);
  padding-left: 12px;
}
article.stop {
  border-color: var(--stop);
}
article.warn {
  border-color: var(--warn);
}
article.gone {
  border-color: var(--good);
}
</style>
