<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { spoken } from '@/parts/words'

/** What is written of an incident, and who besides the lead may read it. */
const props = defineProps<{ of?: Schema['IncidentView']; busy: boolean }>()
const emit = defineEmits<{
  save: [words: Record<'who' | 'what' | 'done' | 'told', string>, named: string[]]
}>()
const session = useSession()
const PARTS = [
  { id: 'who', label: 'Who was concerned, and as what' },
  { id: 'what', label: 'What happened' },
  { id: 'done', label: 'What was done' },
  { id: 'told', label: 'Who was told, and when' },
] as const
const words = ref({
  who: props.of?.who ?? '',
  what: props.of?.what ?? '',
  done: props.of?.done ?? '',
  told: props.of?.told ?? '',
})
const named = ref<string[]>(props.of?.named.map((n) => n.id) ?? [])
const { data: people } = useAsked(async () =>
  session.term
    ? ask(api.GET('/api/terms/{term}/people', { params: { path: { term: session.term.id } } }))
    : [],
)
/** Everybody of the term, and who was named already. */
const all = computed(() => {
  const known = new Map((props.of?.named ?? []).map((n) => [n.id, n.name]))
  for (const p of people.value ?? []) known.set(p.id, p.name)
  return [...known].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name))
})
const names = computed(() => all.value.filter((p) => named.value.includes(p.id)).map((p) => p.name))
</script>

<template>
  <form class="form" @submit.prevent="emit('save', words, named)">
    <div class="parts">
      <label v-for="p in PARTS" :key="p.id"
        >{{ p.label }}
        <textarea v-model="words[p.id]" rows="4" maxlength="4000" />
      </label>
    </div>
    <details>
      <summary>
        <span class="push">Who may read it</span>
        The lead, who wrote it{{ names.length ? `, ${spoken(names)}` : ' and nobody else' }}
      </summary>
      <div class="named" role="group" aria-label="Who else may read it">
        <label v-for="p in all" :key="p.id"
          ><input v-model="named" type="checkbox" :value="p.id" />{{ p.name }}</label
        >
      </div>
    </details>
    <div><button class="push main" :disabled="busy">Keep it</button></div>
  </form>
</template>

<style scoped>
.form,
.parts label {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.form {
  gap: 12px;
}
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 330px), 1fr));
  gap: 12px 16px;
}
summary {
  min-height: var(--target);
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  cursor: pointer;
}
.named {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 0 12px;
}
.named label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: var(--target);
}
.named input {
  width: 22px;
  height: 22px;
}
</style>
