<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import LetterForm from './LetterForm.vue'
import { dateOf, dayOfYear } from '@/parts/when'

/** What the school stated on paper of a student of a term; a student sees their own. */
const props = defineProps<{ term?: string; student?: string }>()
const session = useSession()
const path = () => ({ term: props.term! })
const { data, again } = useAsked(() =>
  props.term
    ? ask(api.GET('/api/terms/{term}/statements', { params: { path: path() } }))
    : ask(api.GET('/api/me/statements')),
)
const mine = computed(() => data.value?.filter((s) => !props.student || s.student === props.student) ?? [])
const NAMED = { results: '', hours: 'Hours, ', letter: 'Letter, ' }
const writing = ref(false)
const { busy, failed, during } = useCommand()
const issue = (kind: 'results' | 'hours') =>
  during(async () => {
    await ask(
      api.POST('/api/terms/{term}/statements/{student}', {
        params: { path: { ...path(), student: props.student! }, query: { kind } },
      }),
    )
    await again()
  })
/** The one that is signed already and was asked about once: the paper of before is told as older. */
const sure = ref<string>()
function sign(s: Schema['StatementLine']) {
  if (s.signed.length && sure.value !== s.id) {
    sure.value = s.id
    return
  }
  sure.value = undefined
  void signed(s.id)
}
const signed = (id: string) =>
  during(async () => {
    await ask(api.POST('/api/statements/{id}/signature', { params: { path: { id } } }))
    await again()
  })
</script>

<template>
  <section v-if="(term && data) || mine.length" class="card statements" aria-label="Papers">
    <h2>Papers</h2>
    <p v-if="!mine.length" class="soft">None was issued yet.</p>
    <ul v-if="mine.length">
      <li v-for="s in mine" :key="s.id">
        <div>
          <a :href="`/api/statements/${s.id}/file`" target="_blank"
            >{{ NAMED[s.kind] }}{{ dayOfYear(dateOf(s.issuedAt)) }}, PDF</a
          >
          <span class="soft small">{{
            s.signed.length ? `signed by ${s.signed.map((g) => g.name).join(', ')}` : 'not signed'
          }}</span>
          <span v-for="c in s.changes" :key="c" :class="['small', s.outdated && 'bad']">{{ c }}</span>
        </div>
        <button
          v-if="term && session.plans"
          class="push"
          :disabled="busy"
          :aria-label="`Sign the statement of ${dayOfYear(dateOf(s.issuedAt))}`"
          @click="sign(s)"
        >
          {{ !s.signed.length ? 'Sign' : sure === s.id ? 'Really sign again' : 'Sign again' }}
        </button>
      </li>
    </ul>
    <div v-if="term" class="do">
      <button v-if="session.plans" class="push main" :disabled="busy" @click="issue('results')">
        Issue one now
      </button>
      <button v-if="session.plans" class="push" :disabled="busy" @click="issue('hours')">
        Certify the hours
      </button>
      <button v-if="session.plans && student && !writing" class="push" @click="writing = true">
        Write a letter
      </button>
      <router-link class="push" to="/sign">Initials</router-link>
      <router-link v-if="session.plans" class="push" to="/statements">For the whole cohort</router-link>
    </div>
    <LetterForm
      v-if="writing && term && student"
      :term="term"
      :student="student"
      @issued="((writing = false), again())"
      @close="writing = false"
    />
    <Failed :of="failed" />
  </section>
</template>

<style scoped>
.statements {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  min-height: 48px;
}
li > div {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.small {
  font-size: 14px;
}
.bad {
  color: var(--stop);
}
</style>
