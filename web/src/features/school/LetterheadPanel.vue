<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask } from '@/api/client'
import { sent } from '@/api/sent'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'

/** What stands at the head of the papers that the school hands out, seen as it will be printed. */
const session = useSession()
const { data, problem, loading, again } = useAsked(() => ask(api.GET('/api/school/letterhead')))
const { busy, failed, during } = useCommand()
const typed = ref<string>()
const picker = ref<HTMLInputElement>()
const stands = computed(() => data.value?.lines.join('\n') ?? '')
const text = computed(() => typed.value ?? stands.value)
const shown = computed(() =>
  text.value
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean),
)
const changed = computed(() => shown.value.join('\n') !== stands.value)
const save = () =>
  during(async () => {
    data.value = await ask(api.PUT('/api/school/letterhead', { body: { lines: shown.value } }))
    typed.value = undefined
  })
async function take(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  await during(async () => {
    data.value = await ask(api.PUT('/api/school/letterhead/logo', sent(file)))
  })
  input.value = ''
}
const drop = () =>
  during(async () => {
    data.value = await ask(api.DELETE('/api/school/letterhead/logo'))
  })
</script>

<template>
  <Standing :problem="problem" :loading="loading && !data" @again="again" />
  <div v-if="data" class="halves">
    <section class="card" aria-label="Letterhead">
      <h2>Letterhead</h2>
      <p class="soft">
        It stands on statements of results, certificates of hours, letters, and on the reports of a student
        and of the cohort.
      </p>
      <form @submit.prevent="save">
        <label>
          <span>Up to four lines under the school's name: address, telephone, licence</span>
          <textarea
            :value="text"
            rows="4"
            @input="typed = ($event.target as HTMLTextAreaElement).value"
          ></textarea>
        </label>
        <Failed :of="failed" />
        <div class="acts">
          <button class="push main" :disabled="busy || !changed">Keep these lines</button>
          <input
            ref="picker"
            type="file"
            class="sr"
            tabindex="-1"
            aria-label="File of the logo"
            accept="image/png,image/jpeg,image/webp"
            @change="take"
          />
          <button type="button" class="push" :disabled="busy" @click="picker?.click()">
            {{ data.logo ? 'Another logo' : 'Add a logo' }}
          </button>
          <button v-if="data.logo" type="button" class="push" :disabled="busy" @click="drop">
            Take the logo away
          </button>
        </div>
        <p class="soft">A logo is a PNG, JPEG or WebP picture; it is printed on white.</p>
      </form>
    </section>
    <section class="card" aria-label="How a paper begins">
      <h2>How a paper begins</h2>
      <div class="paper">
        <div class="head">
          <div>
            <p class="school">{{ session.session?.school }}</p>
            <p v-for="(l, n) in shown" :key="n" class="small">{{ l }}</p>
          </div>
          <img v-if="data.logo" :src="data.logo" alt="The school's logo" />
        </div>
        <p class="title">Statement of results</p>
      </div>
      <p v-if="session.term">
        <a class="push" :href="`/api/terms/${session.term.id}/report`" target="_blank" rel="noopener"
          >See it on the cohort's report</a
        >
      </p>
    </section>
  </div>
</template>

<style scoped>
label span {
  display: block;
  margin: 12px 0 6px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0;
}
/* As on paper, which is white in the dark as well. */
.paper {
  margin: 12px 0;
  padding: 22px 22px 60px;
  border: 1px solid var(--edge);
  background: #fff;
  color: #111;
}
.paper p {
  margin: 0;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 16px;
  padding-bottom: 10px;
  border-bottom: 1.5px solid #111;
}
.head img {
  max-width: 33%;
  max-height: 62px;
}
.school,
.title {
  font-family: var(--head);
  font-weight: 600;
}
.school {
  font-size: 1.15rem;
}
.small {
  font-size: 0.85rem;
  overflow-wrap: anywhere;
}
.title {
  margin-top: 14px !important;
  font-size: 1.6rem;
}
</style>
