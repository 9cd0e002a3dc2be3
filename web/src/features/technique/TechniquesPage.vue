<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import HandWords from './HandWords.vue'
import IncomingTechniques from './IncomingTechniques.vue'
import OwnTechnique from './OwnTechnique.vue'
import TechniqueFacts from './TechniqueFacts.vue'
import TechniqueForm from './TechniqueForm.vue'
import TechniqueList from './TechniqueList.vue'
import WhoFollows from './WhoFollows.vue'

/** The library of techniques: what each is, what it is called here, where it is used; a change shows whom it touches. */
const session = useSession()
const route = useRoute()
const router = useRouter()
const { data: all, problem, loading, again } = useAsked(() => ask(api.GET('/api/techniques')))
const picked = computed(() => all.value?.find((t) => `#${t.technique.id}` === route.hash) ?? all.value?.[0])
const pick = (id: string) => router.replace({ hash: `#${id}` })
const writes = computed(() => session.person?.role !== 'grader')

const panel = ref<HTMLElement>()
const touched = ref<Schema['TouchView'][]>()
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
    await nextTick()
    panel.value?.scrollIntoView({ block: 'nearest' })
  })
const store = (follow: string[]) =>
  command(async () => {
    const path = { id: picked.value!.technique.id }
    const count = follow.length
    const name = picked.value!.technique.name
    all.value = await ask(
      api.PUT('/api/techniques/{id}', {
        params: { path },
        body: { ...edit.value, follow },
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
const places = (steps: number[]) => `${steps.length === 1 ? 'step' : 'steps'} ${steps.join(', ')}`
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
    <IncomingTechniques
      v-if="incoming"
      :changes="incoming.changes"
      @take="takeFile"
      @leave="incoming = undefined"
    />
    <section v-if="opened === 'own'" class="card" aria-label="Add a technique">
      <OwnTechnique @added="added" @leave="opened = undefined" />
    </section>
    <HandWords v-if="opened === 'hands'" @leave="opened = undefined" />
    <div v-if="all && picked" class="cols" :class="{ picked: route.hash }">
      <TechniqueList class="list" :all="all" :picked="picked.technique.id" @pick="pick" />
      <section :key="picked.technique.id" class="card one" :aria-label="picked.technique.name">
        <router-link class="push to-list" to="/techniques">← All techniques</router-link>
        <TechniqueFacts :of="picked" />
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
        <div v-if="touched" ref="panel">
          <WhoFollows :touched="touched" @store="store" @leave="touched = undefined" />
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
}
</style>
