<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import HandShape from '@/parts/HandShape.vue'
import Standing from '@/parts/Standing.vue'
import { offerUndo } from '@/parts/undoOffer'
import ChoiceField from '@/parts/ChoiceField.vue'

/** The school's own words for hands, each with the hand that it is to the rules. */
const emit = defineEmits<{ leave: [] }>()
const session = useSession()
const { data, problem, loading, again } = useAsked(() => ask(api.GET('/api/hands')))
const name = ref('')
const like = ref<Schema['HandName']['like']>('palm')
const { failed, during } = useCommand()
const hands = computed(() => data.value?.hands ?? [])

async function put(changed: Schema['HandName'][]) {
  data.value = await ask(api.PUT('/api/hands', { body: { from: data.value?.version ?? 0, hands: changed } }))
  await session.refresh()
}
const add = () =>
  during(async () => {
    await put([...hands.value, { name: name.value.trim(), like: like.value }])
    name.value = ''
  })
const drop = (h: Schema['HandName']) =>
  during(async () => {
    await put(hands.value.filter((x) => x !== h))
    // Whatever was added meanwhile stays.
    offerUndo(`“${h.name}” is out; steps that say it still do.`, () => put([...hands.value, h]))
  })
</script>

<template>
  <section class="card" aria-label="Words for hands">
    <div class="head">
      <h2>Words for hands</h2>
      <button class="push" @click="emit('leave')">Close</button>
    </div>
    <p class="soft">
      What this school calls a hand, as it is jotted down and printed; the rules take it for the one beside
      it.
    </p>
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <ul v-if="hands.length">
      <li v-for="h in hands" :key="h.name">
        <HandShape :tool="h.like" :size="36" :label="session.toolName(h.like)" />
        <strong>{{ h.name }}</strong><span class="soft">like {{ session.toolName(h.like) }}</span>
        <button v-if="session.plans" class="push" :aria-label="`Take ${h.name} out`" @click="drop(h)">
          Take out
        </button>
      </li>
    </ul>
    <p v-else-if="data" class="soft">None yet.</p>
    <form v-if="session.plans" @submit.prevent="add">
      <label>Word <input v-model="name" maxlength="60" required placeholder="rolling-pin fist" /></label>
      <ChoiceField v-model="like" label="Like" :options="session.catalogue?.tools" />
      <button class="push main" :disabled="!name.trim()">Add it</button>
    </form>
    <Failed :of="failed" />
  </section>
</template>

<style scoped>
.head,
li {
  display: flex;
  align-items: center;
  gap: 12px;
}
.head h2,
li .soft {
  flex: 1;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  min-height: 52px;
}
form {
  display: flex;
  gap: 10px;
  align-items: flex-end;
}
label {
  display: flex;
  flex-direction: column;
  font-weight: 600;
  font-size: 14px;
  flex: 1;
}
.bad {
  color: var(--stop);
  font-weight: 600;
}
</style>
