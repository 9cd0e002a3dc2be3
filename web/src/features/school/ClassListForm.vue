<script setup lang="ts">
import { ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'

/** A class list by paste or file: what it would do is shown first, then all of it is taken or nothing. */
const props = defineProps<{ term: string }>()
const emit = defineEmits<{ taken: [Schema['SignInSheet'][]] }>()
const text = ref('')
const lines = ref<Schema['ClassLine'][]>()
const { busy, failed, during } = useCommand()
const picker = ref<HTMLInputElement>()

const path = () => ({ term: props.term })
const preview = () =>
  during(async () => {
    lines.value = undefined
    lines.value = await ask(
      api.POST('/api/school/terms/{term}/class/preview', {
        params: { path: path() },
        body: { text: text.value },
      }),
    )
  })
const take = () =>
  during(async () => {
    const made = await ask(
      api.POST('/api/school/terms/{term}/class', { params: { path: path() }, body: { text: text.value } }),
    )
    text.value = ''
    lines.value = undefined
    emit('taken', made)
  })
async function readFile(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  text.value = await file.text()
  input.value = ''
  await preview()
}
const does = (l: Schema['ClassLine']) => (l.isNew ? 'new' : l.inTerm ? 'is here already' : 'joins the term')
</script>

<template>
  <section class="card" aria-label="Add people">
    <h2>Add people</h2>
    <p class="soft small">
      One name a line, or rows of a spreadsheet: name, sign-in, role. Sign-in and role may be left out. The
      role is student, grader, instructor or lead.
    </p>
    <label>
      <span class="sr">Class list</span>
      <textarea
        v-model="text"
        rows="5"
        aria-label="Class list"
        placeholder="Ana Quill&#10;Bram Oster, bram, grader"
        @input="lines = undefined"
      />
    </label>
    <div class="acts">
      <button class="push" :class="{ main: !lines }" :disabled="!text.trim() || busy" @click="preview">
        See what it does
      </button>
      <input
        ref="picker"
        type="file"
        accept=".csv,.txt,text/csv,text/plain"
        class="sr"
        aria-label="Class list file"
        @change="readFile"
      />
      <button class="push" @click="picker?.click()">Read a file</button>
      <router-link class="push" to="/earlier">Earlier marks</router-link>
    </div>
    <Failed :of="failed"><p>Nothing was stored.</p></Failed>
    <template v-if="lines">
      <ul class="lines">
        <li v-for="l in lines" :key="l.row">
          <strong>{{ l.name }}</strong> <span class="soft">{{ l.signIn }}, {{ l.role }}, {{ does(l) }}</span>
        </li>
      </ul>
      <button class="push main" :disabled="busy" @click="take">
        Take {{ lines.length === 1 ? 'this one' : `all ${lines.length}` }}
      </button>
    </template>
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
textarea::placeholder {
  color: var(--ink-soft);
  opacity: 1;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.lines {
  margin: 0;
  padding-left: 20px;
  max-height: 260px;
  overflow-y: auto;
}
.small {
  font-size: 14px;
}
.bad {
  color: var(--stop);
}
.bad ul {
  padding-left: 20px;
}
</style>
