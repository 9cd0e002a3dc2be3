<script setup lang="ts">
import { ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import OwnTechnique from '@/features/technique/OwnTechnique.vue'
import Failed from '@/parts/Failed.vue'
import { capital } from '@/parts/words'
import ChoiceField from '@/parts/ChoiceField.vue'

/** A word that nobody knows becomes the school's: for a hand, or for a technique of its own. */
const props = defineProps<{ word: string }>()
const emit = defineEmits<{ taught: []; leave: [] }>()
const session = useSession()
const what = ref<'hand' | 'technique'>('hand')
const like = ref<Schema['HandName']['like']>('palm')
const { busy, failed, during } = useCommand()

async function hand() {
  await during(async () => {
    const now = await ask(api.GET('/api/hands'))
    await ask(
      api.PUT('/api/hands', {
        body: { from: now.version, hands: [...now.hands, { name: props.word, like: like.value }] },
      }),
    )
    await session.refresh()
    emit('taught')
  })
}
</script>

<template>
  <div class="teach" role="group" :aria-label="`Teach ${word}`" @keydown.escape.stop="emit('leave')">
    <p>
      <strong>“{{ word }}”</strong> is
      <button type="button" class="push" :aria-pressed="what === 'hand'" @click="what = 'hand'">
        a hand
      </button>
      <button type="button" class="push" :aria-pressed="what === 'technique'" @click="what = 'technique'">
        a technique
      </button>
    </p>
    <form v-if="what === 'hand'" class="row" @submit.prevent="hand">
      <ChoiceField v-model="like" class="field" label="like" :options="session.catalogue?.tools" />
      <button class="push main" :disabled="busy">Teach it</button>
      <button type="button" class="push" @click="emit('leave')">Leave it</button>
    </form>
    <OwnTechnique v-else :name="capital(word)" @added="emit('taught')" @leave="emit('leave')" />
    <Failed :of="failed" />
  </div>
</template>

<style scoped>
.teach {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
p {
  margin: 0;
}
.row {
  display: flex;
  gap: 8px;
  align-items: center;
}
.push[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
}
.bad {
  color: var(--stop);
}
</style>
