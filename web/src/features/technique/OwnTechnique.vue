<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import TechniqueField from '@/parts/TechniqueField.vue'

/** A technique of the school's own: what it is called, and which one it is done like; the rest is changed where techniques are. */
const props = defineProps<{ name?: string }>()
const emit = defineEmits<{ added: [technique: Schema['TechniqueView']]; leave: [] }>()
const session = useSession()
const name = ref(props.name ?? '')
const like = ref('effleurage')
const { busy, failed, during } = useCommand()
const first = ref<HTMLInputElement>()
onMounted(() => nextTick(() => first.value?.focus()))

async function add() {
  await during(async () => {
    const made = await ask(api.POST('/api/techniques', { body: { name: name.value, like: like.value } }))
    await session.refresh()
    emit('added', made)
  })
}
</script>

<template>
  <form
    class="own"
    aria-label="A technique of your own"
    @submit.prevent="add"
    @keydown.escape.stop="emit('leave')"
  >
    <label>Called <input ref="first" v-model="name" maxlength="200" required /></label>
    <TechniqueField label="Done like" :technique="like" @change="(t) => (like = t.id)" />
    <button class="push main" :disabled="busy || !name.trim()">Add it</button>
    <button type="button" class="push" @click="emit('leave')">Leave it</button>
    <Failed :of="failed" />
  </form>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: flex-end;
}
label {
  display: flex;
  flex-direction: column;
  gap: 2px;
  font-weight: 600;
  font-size: 14px;
  flex: 1 1 200px;
  min-width: 0;
}
input {
  width: 100%;
}
.bad {
  color: var(--stop);
  font-weight: 600;
  width: 100%;
  margin: 0;
}
</style>
