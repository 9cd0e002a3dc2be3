<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import SignInSheet from '@/features/school/SignInSheet.vue'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'
import { offerUndo } from '@/parts/undoOffer'
import { day } from '@/parts/words'

/** Who takes the lab; the lead gives it to somebody of the school or from outside, for the day of the lab alone. */
const props = defineProps<{ term: string; view: Schema['BriefingView'] }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const lead = computed(() => session.person?.role === 'lead')
const path = computed(() => ({ term: props.term, week: props.view.week, lab: props.view.lab }))
const taken = computed(() => props.view.substitute)
const mine = computed(() => taken.value?.account === session.person?.id)
/** The plan was changed since: what was given is another day's. */
const moved = computed(() => taken.value && props.view.onDay && taken.value.on !== props.view.onDay)

const open = ref(false)
const outside = ref(false)
const account = ref<string>()
const name = ref('')
const signIn = ref('')
const on = ref('')
const made = ref<Schema['SignInSheet'][]>([])
watch(
  () => `${props.view.week}.${props.view.lab}`,
  () => {
    open.value = false
    made.value = []
  },
)
const staff = useAsked(async () => (lead.value ? ask(api.GET('/api/school/staff')) : []))
const choices = computed(() =>
  (staff.data.value ?? []).map((p) => ({ id: p.id, name: `${p.name}, ${p.role}` })),
)
const { busy, failed, during } = useCommand()
/** Only where the plan gives labs no time somebody must say when this one is. */
const asked = computed(() => (props.view.onDay ? undefined : on.value || undefined))

async function give(to: string) {
  return during(async () => {
    await ask(
      api.PUT('/api/school/terms/{term}/substitutes/{week}/{lab}', {
        params: { path: path.value },
        body: { account: to, on: asked.value },
      }),
    )
    open.value = false
    emit('changed')
  })
}
async function add() {
  await during(async () => {
    const sheet = await ask(
      api.POST('/api/school/terms/{term}/substitutes/{week}/{lab}', {
        params: { path: path.value },
        body: { name: name.value, signIn: signIn.value, on: asked.value },
      }),
    )
    made.value = [sheet]
    name.value = signIn.value = ''
    open.value = false
    emit('changed')
    await staff.again()
  })
}
async function takeBack() {
  const was = taken.value
  const done = await during(async () => {
    await ask(
      api.DELETE('/api/school/terms/{term}/substitutes/{week}/{lab}', { params: { path: path.value } }),
    )
    emit('changed')
  })
  if (done && was) {
    on.value = was.on
    offerUndo(`${was.name} does not take this lab any more.`, async () => void (await give(was.account)))
  }
}
</script>

<template>
  <section class="card" aria-label="Who takes it">
    <h2>Who takes it</h2>
    <template v-if="taken">
      <p>
        <strong>{{ mine ? 'You' : taken.name }}</strong>
        {{ mine ? 'take' : 'takes' }} this lab{{
          view.teachers.length ? ` for ${view.teachers.join(', ')}` : ''
        }}.
      </p>
      <p class="soft">
        On {{ day(taken.on) }} {{ mine ? 'you may' : 'they may' }} teach, mark and grade here; on other days
        the term is shut to {{ mine ? 'you' : 'them' }}. Its plan and its files stay with those who have the
        term.
      </p>
      <p v-if="moved" class="bad" role="alert">
        The plan has this lab on {{ day(view.onDay!) }} now. Give it anew, or take it back.
      </p>
    </template>
    <p v-else>
      {{ view.teachers.length ? view.teachers.join(', ') : 'Whoever teaches in this term' }}
    </p>
    <Failed :of="failed" />
    <template v-if="lead">
      <div v-if="!open" class="acts">
        <button class="push" @click="open = true">
          {{ taken ? 'Give it to another' : 'Ask a substitute' }}
        </button>
        <button v-if="taken" class="push" :disabled="busy" @click="takeBack">Take it back</button>
      </div>
      <form v-else class="form" @submit.prevent="outside ? add() : account && give(account)">
        <div class="acts" role="group" aria-label="From where">
          <button
            type="button"
            class="push"
            :class="{ main: !outside }"
            :aria-pressed="!outside"
            @click="outside = false"
          >
            From the school
          </button>
          <button
            type="button"
            class="push"
            :class="{ main: outside }"
            :aria-pressed="outside"
            @click="outside = true"
          >
            From outside
          </button>
        </div>
        <ChoiceField v-if="!outside" v-model="account" label="Substitute" none="choose" :options="choices" />
        <template v-else>
          <label class="field"
            >Name <input v-model="name" required maxlength="200" autocomplete="off"
          /></label>
          <label class="field"
            >Sign-in <input v-model="signIn" required maxlength="100" autocomplete="off"
          /></label>
          <p class="soft">
            They sign in until the day of the lab is over, and change nothing the school has written.
          </p>
        </template>
        <label v-if="!view.onDay" class="field"
          >Day of the lab <input v-model="on" type="date" required
        /></label>
        <div class="acts">
          <button class="push main" type="submit" :disabled="busy || (!outside && !account)">
            Give them this lab
          </button>
          <button class="push" type="button" @click="open = false">Leave it</button>
        </div>
      </form>
    </template>
    <SignInSheet v-if="made.length" :sheets="made" @close="made = []" />
  </section>
</template>

<style scoped>
section,
.form {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
