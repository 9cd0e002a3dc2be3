<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'

/** Whether and how long somebody may sign in: shut out at once, or from a day on. What was seen of them stays. */
const props = defineProps<{ term: string; person: Schema['Person']; self: boolean }>()
const emit = defineEmits<{ close: [] }>()
const {
  data: all,
  problem,
  loading,
  again,
} = useAsked(() =>
  ask(api.GET('/api/school/terms/{term}/sign-ins', { params: { path: { term: props.term } } })),
)
const state = computed(() => all.value?.find((s) => s.id === props.person.id))
const day = ref('')
watch(state, (s) => (day.value = s?.expiresOn ?? ''))
const { busy, failed, during } = useCommand()

async function set(disabled: boolean) {
  await during(async () => {
    await ask(
      api.PUT('/api/people/{id}/access', {
        params: { path: { id: props.person.id } },
        body: { disabled, expiresOn: day.value || undefined },
      }),
    )
    await again()
  })
}
</script>

<template>
  <section class="card" aria-label="Sign-in">
    <div class="head">
      <h2>Sign-in of {{ person.name }}</h2>
      <button class="push" aria-label="Close" @click="emit('close')">×</button>
    </div>
    <Standing :problem="problem" :loading="loading && !all" @again="again" />
    <template v-if="state">
      <p>
        <strong>{{ state.signIn }}</strong>
        <span v-if="state.disabled" class="bad">&ensp;shut out</span>
      </p>
      <template v-if="self">
        <p class="soft">This is you. Another lead may change it.</p>
      </template>
      <template v-else>
        <label class="field"
          >Last day, none for no end
          <input v-model="day" type="date" min="2000-01-01" max="2999-12-31" />
        </label>
        <div class="acts">
          <button class="push" :disabled="busy" @click="set(state.disabled)">Save the day</button>
          <button v-if="state.disabled" class="push main" :disabled="busy" @click="set(false)">
            Let in again
          </button>
          <button v-else class="push" :disabled="busy" @click="set(true)">Shut out now</button>
        </div>
        <p class="soft">Whoever is shut out is signed out everywhere at once. Their record stays.</p>
      </template>
      <Failed :of="failed" />
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
input {
  max-width: 180px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0;
}
.bad {
  color: var(--stop);
}
</style>
