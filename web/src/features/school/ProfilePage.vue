<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import { typing } from '@/parts/typed'
import UndoRedo from '@/parts/UndoRedo.vue'
import Standing from '@/parts/Standing.vue'
import ProfileEffect from './ProfileEffect.vue'
import ProfileNumbers from './ProfileNumbers.vue'
import ProfileScope from './ProfileScope.vue'
import ProfileZones from './ProfileZones.vue'
import { useChoices } from './useChoices'
import ChoiceField from '@/parts/ChoiceField.vue'

/** What a school decides where teachers disagree: what each answer means, who differs, and what it would change in a sequence. */
const props = defineProps<{ id: string }>()
const session = useSession()
const { data: view, problem, loading, again } = useAsked(() => ask(api.GET('/api/settings')))
const { data: profiles } = useAsked(() => ask(api.GET('/api/profiles')))
const { failed, during } = useCommand()
const saved = ref(false)
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
const choices = useChoices(props.id)
const { now: made, dirty } = choices
const chosen = (z: Schema['ZonesView']): string[] => made.value.zones[z.id] ?? z.chosen[props.id] ?? []
const moves = (rules: string[]) => (rules.length ? rules.join(', ') : 'changes marks, not findings')
const nothing = computed(() => Object.values(found.value).every((rows) => rows.length === 0))
const name = (id: string) => profiles.value?.find((p) => p.profile.id === id)?.profile.name ?? id
/** Who answers otherwise, by name and answer. */
function others(chosen: Record<string, string>, mine: string, label: (v: string) => string): string {
  const differ = Object.entries(chosen).filter(([id, v]) => id !== props.id && v !== mine)
  return differ.map(([id, v]) => `${name(id)}: ${label(v)}`).join(' · ')
}
watch(made, () => {
  saved.value = false
  failed.value = undefined
})
async function save() {
  await during(async () => {
    view.value = await ask(
      api.PUT('/api/school/profiles/{id}', {
        params: { path: { id: props.id } },
        body: made.value as Schema['ProfileChanges'],
      }),
    )
    choices.clear()
    await nextTick()
    saved.value = true
  })
}
onKeyStroke((e) => {
  if (!(e.ctrlKey || e.metaKey) || !lead.value) return
  const key = e.key.toLowerCase()
  if (key === 's') void (dirty.value && save())
  else if (typing(e)) return
  else if (key === 'z') (e.shiftKey ? choices.redo : choices.undo)()
  else return
  e.preventDefault()
})
</script>

<template>
  <div class="page">
    <div class="top">
      <router-link to="/school" class="push" aria-label="Back to the school">←</router-link>
      <h1>{{ name(id) }}</h1>
      <span class="soft">what this school decides</span>
      <span class="grow" />
      <span v-if="saved" role="status">Saved as a new version.</span>
      <UndoRedo
        v-if="lead"
        :undoable="choices.undoable.value"
        :redoable="choices.redoable.value"
        :busy="false"
        @undo="choices.undo"
        @redo="choices.redo"
      />
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
                :class="{ main: (made.settings[s.id] ?? s.chosen[id]) === o.id }"
                :aria-pressed="(made.settings[s.id] ?? s.chosen[id]) === o.id"
                @click="choices.answer('settings', s.question, s, o.id)"
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
                    made.settings[s.id] ?? s.chosen[id] ?? '',
                    (v) => s.options.find((o) => o.id === v)?.label ?? v,
                  )
                "
              >
                · differs:
                {{
                  others(
                    s.chosen,
                    made.settings[s.id] ?? s.chosen[id] ?? '',
                    (v) => s.options.find((o) => o.id === v)?.label ?? v,
                  )
                }}
              </template>
            </p>
          </div>
        </section>
        <ProfileZones
          v-for="z in found.zones"
          :key="z.id"
          :zones="z"
          :chosen="chosen(z)"
          @change="(chosen) => choices.zones(z, chosen)"
        />
        <ProfileNumbers
          v-if="found.numbers.length"
          :profile="id"
          :numbers="found.numbers"
          :made="made.numbers"
          :name="name"
          :moves="moves"
          @change="choices.number"
        />
        <ProfileScope
          v-if="found.topics.length"
          :topics="found.topics"
          :who-decides="view.whoDecides"
          :chosen="(t) => made.scope[t.id] ?? t.chosen[id] ?? ''"
          @change="(t, level) => choices.answer('scope', t.name, t, level)"
        />
        <section v-if="found.rules.length" class="card" aria-label="How grave each rule is">
          <h2>How grave each rule is</h2>
          <div v-for="r in found.rules" :key="r.id" class="rule" role="group" :aria-label="r.id">
            <div>
              <strong>{{ r.id }}</strong>
              <p class="soft small">{{ r.meaning }}</p>
            </div>
            <ChoiceField
              :label="`${r.id} is`"
              bare
              :model-value="made.severities[r.id] ?? r.chosen[id]"
              :options="GRAVITY"
              @update:model-value="(v) => choices.answer('severities', r.id, r, v!)"
            />
          </div>
        </section>
      </div>
      <ProfileEffect class="try" :profile="id" :made="made" :dirty="dirty" />
    </div>
  </div>
</template>

<style scoped src="./profile.css"></style>
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
.find input {
  width: 100%;
}
.try {
  position: sticky;
  top: 14px;
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
</style>
