<script setup lang="ts">
import { computed, reactive } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import { offerUndo } from '@/parts/undoOffer'
import ChoiceField from '@/parts/ChoiceField.vue'

/** What one body must be spared: the least that is needed. */
const props = defineProps<{ person: Schema['Person']; readonly?: boolean }>()
defineEmits<{ close: [] }>()
const session = useSession()
const path = { person: props.person.id }
const { data: notes, problem } = useAsked(() => ask(api.GET('/api/notes/{person}', { params: { path } })))
const SIDES = ['left', 'right'] as const
const form = reactive({ kind: '', zone: '', side: '', until: '' })
const { failed, during } = useCommand()
const kinds = computed(() => session.catalogue?.notes ?? [])
const local = computed(() => kinds.value.find((k) => k.id === form.kind)?.local ?? false)
const paired = computed(() => session.zones.get(form.zone)?.paired ?? false)

const keep = (call: () => Promise<Schema['Kept'][]>) =>
  during(async () => {
    notes.value = await call()
  })
const add = () =>
  keep(async () => {
    const kept = await ask(
      api.POST('/api/notes/{person}', {
        params: { path },
        body: {
          kind: (form.kind || undefined) as 'pregnant',
          zone: (local.value && form.zone ? form.zone : undefined) as undefined,
          side: (local.value && paired.value && form.side ? form.side : undefined) as undefined,
          until: form.until || undefined,
        },
      }),
    )
    Object.assign(form, { kind: '', zone: '', side: '', until: '' })
    return kept
  })
const withdraw = (note: Schema['Kept']) =>
  keep(async () => {
    const params = { path: { ...path, note: note.id } }
    const left = await ask(api.DELETE('/api/notes/{person}/{note}', { params }))
    const { kind, zone, side, until } = note
    offerUndo(`Taken back: ${session.spared(note)}.`, async () => {
      const body = { kind, zone, side, until }
      notes.value = await ask(api.POST('/api/notes/{person}', { params: { path }, body }))
    })
    return left
  })
</script>

<template>
  <section class="card" :aria-label="`Body notes of ${person.name}`">
    <div class="head">
      <h2>{{ readonly ? 'What is kept about your body' : `Body notes of ${person.name}` }}</h2>
      <button v-if="!readonly" class="push" @click="$emit('close')">Close</button>
    </div>
    <Failed :of="problem" />
    <ul v-if="notes">
      <li v-for="n in notes" :key="n.id">
        <span
          >{{ session.spared(n) }}<span v-if="n.until" class="soft">, until {{ n.until }}</span></span
        >
        <button v-if="!readonly" class="push" @click="withdraw(n)">Take back</button>
      </li>
    </ul>
    <p v-if="notes?.length === 0" class="soft">Nothing to be spared.</p>
    <form v-if="!readonly" @submit.prevent="add">
      <ChoiceField v-model="form.kind" label="What" none="Choose…" required :options="kinds" />
      <ChoiceField
        v-if="local"
        v-model="form.zone"
        label="Where"
        none="Choose…"
        required
        :options="session.catalogue?.zones"
      />
      <ChoiceField v-if="local && paired" v-model="form.side" label="Side" none="both" :options="SIDES" />
      <label>Last day, if it passes <input v-model="form.until" type="date" /></label>
      <button class="push main">Keep it</button>
      <Failed :of="failed" />
    </form>
    <p class="law">
      Seen by those who teach {{ readonly ? 'you' : 'this person' }}, and by {{ readonly ? 'you' : 'them' }};
      every reading is recorded. The least that keeps a body safe, no diagnosis.
    </p>
  </section>
</template>

<style scoped>
section,
form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: var(--target);
  gap: 8px;
}
label {
  display: flex;
  flex-direction: column;
  font-weight: 600;
  font-size: 14px;
  gap: 2px;
}
.bad {
  color: var(--stop);
}
</style>
