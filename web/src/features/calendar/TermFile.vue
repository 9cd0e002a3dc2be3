<script setup lang="ts">
import { ref } from 'vue'
import { api, ask } from '@/api/client'
import { useIncoming } from '@/parts/useIncoming'

/** A term as a file, and one read: it shows what it would change first; then all of it is taken, or nothing. */
const props = defineProps<{ term: string }>()
const emit = defineEmits<{ taken: [] }>()
const picker = ref<HTMLInputElement>()
const params = { path: { term: props.term } }
const { incoming, fileProblem, readFile, takeFile } = useIncoming({
  given: (file) => file.text(),
  preview: (text) =>
    ask(api.POST('/api/terms/{term}/curriculum/incoming/preview', { params, body: { text } })),
  take: async (text) => {
    await ask(api.POST('/api/terms/{term}/curriculum/incoming', { params, body: { text } }))
    emit('taken')
  },
})
</script>

<template>
  <div class="adds">
    <a class="push" :href="`/api/terms/${term}/curriculum/file`" download>Save as a file</a>
    <input
      ref="picker"
      type="file"
      accept=".json,application/json"
      class="sr"
      aria-label="Curriculum file"
      @change="readFile"
    />
    <button class="push" @click="picker?.click()">Read a file</button>
  </div>
  <div v-if="fileProblem" role="alert" class="bad">
    <p>The file was not read; nothing was stored. {{ fileProblem.detail }}</p>
    <ul>
      <li v-for="f in fileProblem.faults" :key="f.field + f.reason">
        {{ f.field }}{{ f.value ? ` “${f.value}”` : '' }} {{ f.reason }}
      </li>
    </ul>
  </div>
  <div v-if="incoming">
    <p>
      <strong>{{ incoming.preview.name }}</strong>, {{ incoming.preview.lessons }} lessons. It would change:
    </p>
    <ul class="small">
      <li v-for="c in incoming.preview.changes" :key="c">{{ c }}</li>
      <li v-for="s in incoming.preview.sequences" :key="s.id">
        {{ s.name }}:
        {{ !s.known ? 'new' : s.changes.length ? `${s.changes.length} changes` : 'the same' }}
      </li>
    </ul>
    <button class="push main" @click="takeFile">Take all of it</button>
    <button class="push" @click="incoming = undefined">Leave it</button>
  </div>
</template>

<style scoped src="./fields.css"></style>
<style scoped>
.bad {
  color: var(--stop);
}
ul {
  padding-left: 20px;
  margin: 0;
}
</style>
