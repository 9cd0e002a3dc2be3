<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import HandShape from '@/parts/HandShape.vue'
import Standing from '@/parts/Standing.vue'
import { doseWords, mmss } from '@/parts/words'
import HandWords from './HandWords.vue'
import OwnTechnique from './OwnTechnique.vue'
import TechniqueForm from './TechniqueForm.vue'

/** The library of techniques: what each is, what it is called here, where it is used; a change shows whom it touches. */
const session = useSession()
const route = useRoute()
const router = useRouter()
const { data: all, problem, loading, again } = useAsked(() => ask(api.GET('/api/techniques')))
const sought = ref('')
const shown = computed(() => {
  const words = sought.value.toLowerCase().split(' ').filter(Boolean)
  return (all.value ?? []).filter((t) => {
    const text = [t.technique.name, t.technique.id, ...t.technique.aliases].join(' ').toLowerCase()
    return words.every((w) => text.includes(w))
  })
})
const picked = computed(
  () => all.value?.find((t) => `#${t.technique.id}` === route.hash) ?? shown.value[0] ?? all.value?.[0],
)
const pick = (id: string) => router.replace({ hash: `#${id}` })
const writes = computed(() => session.person?.role !== 'grader')

const panel = ref<HTMLElement>()
const touched = ref<Schema['TouchView'][]>()
const follow = ref<Set<string>>(new Set())
const { failed, during } = useCommand()
const done = ref('')

/** What is to be stored, as it was when its touch was seen. */
const edit = ref<Schema['TechniqueEdit']>()
/** What else is open: a technique of one's own to add, or the words for hands. */
const opened = ref<'own' | 'hands'>()

watch(picked, (now, before) => {
  if (now?.technique.id === before?.technique.id) return
  touched.value = undefined
  failed.value = undefined
  done.value = ''
})
function command(call: () => Promise<void>) {
  done.value = ''
  return during(call)
}
const see = (wanted: Schema['TechniqueEdit']) =>
  command(async () => {
    const path = { id: picked.value!.technique.id }
    const answer = await ask(api.POST('/api/techniques/{id}/try', { params: { path }, body: wanted }))
    edit.value = wanted
    touched.value = answer
    follow.value = new Set(answer.filter((t) => t.follows.length && t.stops <= 0).map((t) => t.sequence))
    await nextTick()
    panel.value?.scrollIntoView({ block: 'nearest' })
  })
const store = () =>
  command(async () => {
    const path = { id: picked.value!.technique.id }
    const count = follow.value.size
    const name = picked.value!.technique.name
    all.value = await ask(
      api.PUT('/api/techniques/{id}', {
        params: { path },
        body: { ...edit.value, follow: [...follow.value] },
      }),
    )
    touched.value = undefined
    done.value = `${name} is changed${count ? `, and ${count} ${count === 1 ? 'sequence has' : 'sequences have'} followed` : ''}.`
    await session.refresh()
  })
/** Offers a technique no more, or again; what was made with it stays as it is. */
const retire = (retired: boolean) =>
  command(async () => {
    const { technique: t, version } = picked.value!
    all.value = await ask(
      api.PUT('/api/techniques/{id}', { params: { path: { id: t.id } }, body: { from: version, retired } }),
    )
    done.value = retired
      ? `${t.name} is offered no more. What was made with it stays as it is.`
      : `${t.name} is offered again.`
    await session.refresh()
  })
async function added(t: Schema['TechniqueView']) {
  opened.value = undefined
  await again()
  await pick(t.technique.id)
  sought.value = ''
}
function toggle(id: string) {
  const next = new Set(follow.value)
  if (!next.delete(id)) next.add(id)
  follow.value = next
}
/** A file of techniques shows what it would change first. */
const picker = ref<HTMLInputElement>()
const incoming = ref<{ text: string; changes: Schema['TechniqueChanges'] }>()
async function readFile(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  incoming.value = undefined
  const text = await file.text()
  input.value = ''
  await during(async () => {
    const changes = await ask(api.POST('/api/techniques/incoming/preview', { body: { text } }))
    incoming.value = { text, changes }
  })
}
const takeFile = () =>
  command(async () => {
    await ask(api.POST('/api/techniques/incoming', { body: { text: incoming.value!.text } }))
    incoming.value = undefined
    await again()
    await session.refresh()
  })
const stroke = (t: Schema['TechniqueView']) =>
  session.catalogue?.strokes?.find((s) => s.id === t.technique.stroke)?.name ?? t.technique.stroke
const places = (steps: number[]) => `${steps.length === 1 ? 'step' : 'steps'} ${steps.join(', ')}`
function touchWords(t: Schema['TouchView']) {
  const parts = []
  if (t.follows.length) parts.push(`${places(t.follows)} ${t.follows.length > 1 ? 'change' : 'changes'}`)
  if (t.own.length) parts.push(`${places(t.own)} ${t.own.length > 1 ? 'have their' : 'has its'} own ways`)
  if (t.secondsBefore !== t.secondsAfter) parts.push(`${mmss(t.secondsBefore)} → ${mmss(t.secondsAfter)}`)
  return parts.map((p) => `, ${p}`).join('')
}
const more = (n: number, what: string) =>
  n === 0 ? '' : `${Math.abs(n)} ${n > 0 ? 'more' : 'fewer'} ${what}${Math.abs(n) === 1 ? '' : 's'}`
</script>

<template>
  <div class="page">
    <div class="top">
      <router-link to="/plan" class="push" aria-label="Back to all sequences">←</router-link>
      <h1>Techniques</h1>
      <span class="soft">{{ all ? `${all.length} in the library` : '' }}</span>
      <span class="grow" />
      <input
        ref="picker"
        type="file"
        accept=".json,application/json"
        class="sr"
        aria-label="Techniques file"
        @change="readFile"
      />
      <button v-if="writes" class="push" :aria-expanded="opened === 'own'" @click="opened = 'own'">
        Add one of your own
      </button>
      <button class="push" :aria-expanded="opened === 'hands'" @click="opened = 'hands'">
        Words for hands
      </button>
      <button v-if="writes" class="push" @click="picker?.click()">Read a file</button>
      <a class="push" href="/api/techniques/file" download>Save as a file</a>
    </div>
    <Standing :problem="problem" :loading="loading && !all" @again="again" />
    <Failed class="card" :of="failed"><p>Nothing was stored.</p></Failed>
    <section v-if="incoming" class="card" aria-label="What the file would change">
      <h2>What the file would change</h2>
      <p>
        {{
          [
            ...incoming.changes.techniques
              .filter((c) => c.changes)
              .map((c) => (c.added ? `${c.name} is new` : `${c.name} changes`)),
            ...incoming.changes.hands.map((h) => `${h}, a word for a hand`),
          ].join(' · ') || 'Nothing: it says the same.'
        }}
      </p>
      <button class="push main" @click="takeFile">Take all of it</button>
      <button class="push" @click="incoming = undefined">Leave it</button>
    </section>
    <section v-if="opened === 'own'" class="card" aria-label="Add a technique">
      <OwnTechnique @added="added" @leave="opened = undefined" />
    </section>
    <HandWords v-if="opened === 'hands'" @leave="opened = undefined" />
    <div v-if="all && picked" class="cols" :class="{ picked: route.hash }">
      <section class="card list">
        <input v-model="sought" type="search" placeholder="Name or nickname" aria-label="Find a technique" />
        <ul>
          <li v-for="t in shown" :key="t.technique.id">
            <button
              class="line"
              :class="{ here: t.technique.id === picked.technique.id, gone: t.technique.retired }"
              :aria-pressed="t.technique.id === picked.technique.id"
              @click="pick(t.technique.id)"
            >
              <HandShape :tool="t.technique.tool" :size="40" :label="session.toolName(t.technique.tool)" />
              <span
                ><strong>{{ t.technique.name }}</strong
                ><span class="soft">{{
                  t.technique.retired ? 'not offered any more' : t.technique.aliases.join(', ')
                }}</span></span
              >
              <span v-if="t.uses.length" class="uses" :title="`Used in ${t.uses.length} sequences`">{{
                t.uses.length
              }}</span>
            </button>
          </li>
        </ul>
        <p v-if="shown.length === 0" class="soft">No technique is called that.</p>
      </section>
      <section :key="picked.technique.id" class="card one" :aria-label="picked.technique.name">
        <router-link class="push to-list" to="/techniques">← All techniques</router-link>
        <div class="head">
          <HandShape
            :tool="picked.technique.tool"
            :size="132"
            :label="`The hand: ${session.toolName(picked.technique.tool)}`"
          />
          <div>
            <h2>{{ picked.technique.name }}</h2>
            <p class="soft">
              {{ stroke(picked) === picked.technique.name ? '' : `${stroke(picked)} · `
              }}{{ picked.technique.hand ?? session.toolName(picked.technique.tool) }} · depth
              {{ picked.technique.depth }} · {{ doseWords(picked.technique.dose) }} · client
              {{ picked.technique.effort.replace('-', ' ') }}
            </p>
            <p v-if="picked.technique.caution" class="caution">⚠ {{ picked.technique.caution }}</p>
            <p v-if="picked.technique.strong" class="soft">Strong: it is announced before it starts.</p>
            <p v-for="w in picked.windows" :key="w" class="soft">Dose: {{ w }}</p>
            <p class="law">{{ session.catalogue?.law }}</p>
            <p class="soft">
              {{
                picked.standard
                  ? 'As in the standard library.'
                  : picked.ships
                    ? `This school’s own way, version ${picked.version}.`
                    : `Of this school’s own, version ${picked.version}.`
              }}
            </p>
          </div>
        </div>
        <div class="two">
          <div>
            <h3>Used in</h3>
            <p v-if="picked.uses.length === 0" class="soft">No sequence yet.</p>
            <ul v-else class="used">
              <li v-for="u in picked.uses" :key="u.sequence">
                <router-link :to="`/plan/${u.sequence}`">{{ u.name }}</router-link><span class="soft"
                  >, {{ places(u.steps) }}</span
                >
              </li>
            </ul>
          </div>
          <div v-if="writes" class="ways">
            <TechniqueForm :of="picked" :seen="!!touched" @see="see" @changed="touched = undefined" />
            <button class="push" @click="retire(!picked.technique.retired)">
              {{ picked.technique.retired ? 'Offer it again' : 'Offer it no more' }}
            </button>
          </div>
        </div>
        <div v-if="touched" ref="panel" class="touched">
          <h3>{{ touched.length ? 'Who follows?' : 'No sequence uses it: nothing else changes.' }}</h3>
          <ul>
            <li v-for="t in touched" :key="t.sequence">
              <button
                class="push"
                :class="{ main: follow.has(t.sequence) }"
                :aria-pressed="follow.has(t.sequence)"
                :disabled="t.follows.length === 0"
                :aria-label="`${t.name} follows`"
                @click="toggle(t.sequence)"
              >
                {{ follow.has(t.sequence) ? 'follows' : 'stays' }}
              </button>
              <span>
                <strong>{{ t.name }}</strong><span class="soft">{{ touchWords(t) }}</span>
                <b v-if="more(t.stops, 'stop')" class="bad">, {{ more(t.stops, 'stop') }}</b
                ><b v-if="more(t.warns, 'warning')">, {{ more(t.warns, 'warning') }}</b>
              </span>
            </li>
          </ul>
          <button class="push main" @click="store">Store it</button>
          <button class="push" @click="touched = undefined">Leave it</button>
        </div>
        <p v-if="done" role="status">{{ done }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.page {
  height: calc(100dvh - var(--bar));
  min-height: 640px;
}
.cols {
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr);
  gap: 14px;
  flex: 1;
  min-height: 0;
}
.list,
.one {
  min-height: 0;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.list ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
.line {
  display: flex;
  align-items: center;
  gap: 10px;
  width: 100%;
  min-height: 52px;
  border: 0;
  border-radius: 12px;
  background: none;
  color: var(--ink);
  font: 500 15px/1.2 var(--text);
  text-align: left;
  cursor: pointer;
  padding: 4px 8px;
}
.line.here {
  background: var(--order-wash);
}
.line > span:nth-child(2) {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.line .soft {
  font-size: 13.5px;
}
.uses {
  font-weight: 700;
}
.head > :first-child {
  flex: none;
}
.head {
  display: flex;
  gap: 20px;
  align-items: center;
}
.caution {
  color: var(--stop);
  font-weight: 600;
}
.two {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.used {
  list-style: none;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
}
.used a {
  display: inline-flex;
  min-height: var(--target);
  align-items: center;
}
.ways {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: flex-start;
}
.ways > form {
  width: 100%;
}
.gone {
  color: var(--ink-soft);
}
.list > input {
  min-height: var(--target);
  border: 1.5px solid var(--ink);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: 500 15px var(--text);
  padding: 0 10px;
}
.touched ul {
  list-style: none;
  padding: 0;
}
.touched li {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 50px;
}
.bad {
  color: var(--stop);
}
@media (max-width: 1100px) {
  .cols {
    grid-template-columns: 260px minmax(0, 1fr);
  }
}
.to-list {
  display: none;
}
/* On a phone the list, or what is picked of it. */
@media (max-width: 640px) {
  .to-list {
    display: inline-flex;
    align-self: flex-start;
  }
  .page {
    height: auto;
    min-height: 0;
  }
  .cols {
    display: block;
  }
  .cols.picked > .list,
  .cols:not(.picked) > .one {
    display: none;
  }
  .head {
    flex-wrap: wrap;
  }
}
</style>
