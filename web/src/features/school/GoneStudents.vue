<script setup lang="ts">
import { ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import Failed from '@/parts/Failed.vue'
import { counted } from '@/parts/words'

/** Students who are in no open term any more: everything kept of one can be taken along, and erased. */
const { data: gone, again } = useAsked(() => ask(api.GET('/api/students/gone')))
const asked = ref<Schema['Person']>()
const name = ref('')
const { failed, during } = useCommand()
const said = ref('')
function about(p: Schema['Person']) {
  asked.value = asked.value?.id === p.id ? undefined : p
  name.value = ''
}
async function erase() {
  const person = asked.value
  if (!person) return
  await during(async () => {
    const erased = await ask(
      api.POST('/api/students/{id}/erase', {
        params: { path: { id: person.id } },
        body: { name: name.value },
      }),
    )
    said.value = `Erased: ${counted(erased.rows.practicals ?? 0, 'practical')} with ${counted(erased.rows.events ?? 0, 'tap')}, and all else of this student.`
    asked.value = undefined
    await again()
  })
}
</script>

<template>
  <section v-if="gone?.length || said" class="card">
    <h2>
      Have left <span class="soft">{{ gone?.length }}</span>
    </h2>
    <p class="soft">In no open term. What is kept of them can be taken along as one file, and erased.</p>
    <p v-if="said" role="status">{{ said }}</p>
    <div v-for="p in gone" :key="p.id" class="one">
      <strong>{{ p.name }}</strong>
      <a class="push" :href="`/api/students/${p.id}/data`" download="student.json">Everything (JSON)</a>
      <button class="push stop" :aria-expanded="asked?.id === p.id" @click="about(p)">Erase…</button>
      <form v-if="asked?.id === p.id" @submit.prevent="erase">
        <label class="field above"
          >Type the name to erase everything of {{ p.name }}; it cannot be undone
          <input v-model="name" autocomplete="off"
        /></label>
        <button class="push stop" :disabled="name.trim() !== p.name">Erase everything</button>
        <Failed :of="failed" />
      </form>
    </div>
  </section>
</template>

<style scoped>
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.one strong {
  flex: 1;
}
form {
  flex-basis: 100%;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.bad {
  color: var(--stop);
}
</style>
