<script setup lang="ts">
import { ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'
import { dayOfYear } from '@/parts/when'
import { sealOf } from './fileSeal'

/** Whether a statement of results is the school's, as it was handed out, and still so: for whoever holds it. */
const { busy, failed, during } = useCommand()
const code = ref('')
const view = ref<Schema['VerifyView']>()
const name = ref('')
const picker = ref<HTMLInputElement>()
async function verify(form: { code?: string; digest?: string }) {
  view.value = undefined
  await during(async () => {
    view.value = await ask(api.POST('/api/verify', { body: form }))
  })
}
async function file(event: Event) {
  const input = event.target as HTMLInputElement
  const picked = input.files?.[0]
  // The same file may be chosen again.
  input.value = ''
  if (!picked) return
  name.value = picked.name
  const seal = await sealOf(await picked.arrayBuffer())
  code.value = seal.code ?? ''
  await verify(seal)
}
function typed() {
  name.value = ''
  void verify({ code: code.value.trim() })
}
</script>

<template>
  <div class="page">
    <main class="card verify">
      <h1>Is this statement the school’s?</h1>
      <p>
        Choose the file of a statement of results, or type the check code that stands on it. The file stays on
        this device: only its digest is compared. No name and no mark is shown here.
      </p>
      <div class="choose">
        <input
          ref="picker"
          type="file"
          accept="application/pdf,.pdf"
          class="sr"
          aria-label="File of a statement"
          @change="file"
        />
        <button class="push main" :disabled="busy" @click="picker?.click()">Choose the file</button>
      </div>
      <form @submit.prevent="typed">
        <label class="field above"
          >Check code <input v-model="code" autocomplete="off" maxlength="20" placeholder="ABCD-EFGH-JKMN"
        /></label>
        <button class="push" :disabled="busy || !code.trim()">Look it up</button>
      </form>
      <Failed :of="failed" />
      <section v-if="view" role="status" aria-label="What the school says of it">
        <p v-if="name" class="soft">{{ name }}</p>
        <template v-if="!view.known">
          <p class="said bad"><b>×</b> {{ view.school }} knows no such statement.</p>
          <p>Look whether the code is as it stands on the paper, or ask the school.</p>
        </template>
        <template v-else>
          <p v-if="view.file === 'as-handed-out'" class="said good">
            <b>✓</b> This file is as {{ view.school }} handed it out.
          </p>
          <p v-else-if="view.file === 'changed'" class="said bad">
            <b>×</b> This file was changed, or saved anew by another program: it is not as
            {{ view.school }} handed it out.
          </p>
          <p v-else class="said"><b>✓</b> {{ view.school }} issued a statement with this code.</p>
          <p>
            Issued {{ dayOfYear(view.issuedOn!) }};
            {{ view.signedBy.length ? `signed by ${view.signedBy.join(' and ')}.` : 'signed by nobody yet.' }}
          </p>
          <template v-if="view.changes.length">
            <p :class="['said', view.outdated && 'bad']">
              <b v-if="view.outdated">!</b>
              {{ view.outdated ? 'It is no longer so as it says:' : 'What came after it:' }}
            </p>
            <ul>
              <li v-for="c in view.changes" :key="c">{{ c }}</li>
            </ul>
          </template>
          <p v-else>Nothing of what it says was changed since.</p>
        </template>
      </section>
    </main>
  </div>
</template>

<style scoped>
.verify {
  display: flex;
  flex-direction: column;
  gap: 14px;
  max-width: 640px;
  margin: 0 auto;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: flex-end;
}
.said {
  font-weight: 650;
}
.good {
  color: var(--good);
}
.bad {
  color: var(--stop);
}
ul {
  padding-left: 20px;
}
</style>
