<script setup lang="ts">
import { ref } from 'vue'
import { api, ask } from '@/api/client'
import { useIncoming } from '@/parts/useIncoming'
import { counted } from '@/parts/words'

/** The calendar of a term as a file, and one that another program changed: what it would change first, then all of it or nothing. */
const props = defineProps<{ term: string }>()
const emit = defineEmits<{ taken: [] }>()
const picker = ref<HTMLInputElement>()
const params = { path: { term: props.term } }
const version = ref(0)
const { incoming, fileProblem, readFile, takeFile } = useIncoming({
  given: (file) => file.text(),
  preview: async (text) => {
    const told = await ask(
      api.POST('/api/terms/{term}/calendar/incoming/preview', { params, body: { text } }),
    )
    version.value = told.version
    return told
  },
  take: async (text) => {
    await ask(
      api.POST('/api/terms/{term}/calendar/incoming', { params, body: { text, from: version.value } }),
    )
    emit('taken')
  },
})
</script>

<template>
  <div class="adds">
    <a class="push" :href="`/api/terms/${term}/calendar`" download="term.ics">Save as a calendar</a>
    <input
      ref="picker"
      type="file"
      accept=".ics,text/calendar"
      class="sr"
      aria-label="Calendar file"
      @change="readFile"
    />
    <button class="push" @click="picker?.click()">Read a calendar</button>
  </div>
  <div v-if="fileProblem" role="alert" class="bad">
    <p>Nothing of the calendar was taken. {{ fileProblem.detail }}</p>
    <ul>
      <li v-for="f in fileProblem.faults" :key="f.field + f.reason">
        {{ f.field }}{{ f.value ? ` “${f.value}”` : '' }} {{ f.reason }}
      </li>
    </ul>
  </div>
  <div v-if="incoming" aria-label="What the calendar would change" role="group">
    <p v-if="!incoming.preview.changes.length">This calendar changes nothing.</p>
    <ul v-else class="small">
      <li v-for="c in incoming.preview.changes" :key="c.sentence" :class="{ soft: !c.taken }">
        {{ c.sentence }}
      </li>
    </ul>
    <p v-if="incoming.preview.others" class="soft small">
      {{ counted(incoming.preview.others, 'entry is', 'entries are') }} not of this term and left.
    </p>
    <div class="adds">
      <button v-if="incoming.preview.changes.some((c) => c.taken)" class="push main" @click="takeFile">
        Take what changed
      </button>
      <button class="push" @click="incoming = undefined">Leave it</button>
    </div>
  </div>
</template>

<style scoped src="../calendar/fields.css"></style>
<style scoped>
.bad {
  color: var(--stop);
}
ul {
  padding-left: 20px;
  margin: 0;
}
</style>
