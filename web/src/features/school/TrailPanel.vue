<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ref } from 'vue'
import { api, ask } from '@/api/client'
import { usePages } from '@/api/usePages'
import Standing from '@/parts/Standing.vue'
import { inSchool } from '@/parts/when'

/** The trail: who did what, about whom and when; the newest first, a page at a time. */
const words = ref('')
const { lines, more, earlier, problem, loading, again } = usePages((before) =>
  ask(
    api.GET('/api/school/audit', {
      params: { query: { before: before ? Number(before) : undefined, words: words.value } },
    }),
  ),
)
const search = useDebounceFn(() => void again(), 250)
/** Ids mean nothing to a reader; they are there on hovering. */
const plain = (detail: string) => detail.replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, '').trim()
const when = (iso: string) =>
  inSchool(iso, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  })
</script>

<template>
  <section class="card">
    <div class="head">
      <h2>Trail</h2>
      <label class="field"
        >Find
        <input
          v-model="words"
          type="search"
          maxlength="100"
          placeholder="a name, or what was done"
          @input="search"
        />
      </label>
    </div>
    <Standing :problem="problem" :loading="loading && !lines" @again="again" />
    <p v-if="lines?.length === 0" class="soft">
      {{ words ? 'No line has these words.' : 'Nothing was done yet.' }}
    </p>
    <div v-if="lines?.length" class="scroll" tabindex="0">
      <table class="lines">
        <thead>
          <tr>
            <th>When</th>
            <th>Who</th>
            <th>What</th>
            <th>About</th>
            <th>From</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in lines" :key="l.id">
            <td class="at">{{ when(l.at) }}</td>
            <td>{{ l.by ?? '—' }}</td>
            <td :class="{ bad: l.what.endsWith(': refused') }">{{ l.what }}</td>
            <td>
              {{ l.about }} <span class="soft" :title="l.detail">{{ plain(l.detail) }}</span>
            </td>
            <td class="soft">{{ l.address }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <button v-if="more" class="push earlier" :disabled="loading" @click="earlier">Earlier</button>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
}
input {
  width: min(280px, 60vw);
}
.scroll {
  overflow-x: auto;
}
.at {
  white-space: nowrap;
}
.bad {
  color: var(--stop);
  font-weight: 600;
}
td .soft {
  overflow-wrap: anywhere;
}
</style>
