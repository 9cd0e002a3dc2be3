<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import HandShape from '@/parts/HandShape.vue'

/** All techniques of the library, found by name or nickname. */
const props = defineProps<{ all: Schema['TechniqueView'][]; picked: string }>()
defineEmits<{ pick: [id: string] }>()
const session = useSession()
const sought = ref('')
const shown = computed(() => {
  const words = sought.value.toLowerCase().split(' ').filter(Boolean)
  return props.all.filter((t) => {
    const text = [t.technique.name, t.technique.id, ...t.technique.aliases].join(' ').toLowerCase()
    return words.every((w) => text.includes(w))
  })
})
</script>

<template>
  <section class="card list">
    <input v-model="sought" type="search" placeholder="Name or nickname" aria-label="Find a technique" />
    <ul>
      <li v-for="t in shown" :key="t.technique.id">
        <button
          class="line"
          :class="{ here: t.technique.id === picked, gone: t.technique.retired }"
          :aria-pressed="t.technique.id === picked"
          @click="$emit('pick', t.technique.id)"
        >
          <HandShape :tool="t.technique.tool" :size="40" :label="session.toolName(t.technique.tool)" />
          <span
            ><strong>{{ t.technique.name }}</strong
            ><span class="soft">{{
              t.technique.retired ? 'not offered any more' : t.technique.aliases.join(', ')
            }}</span></span
          >
          <span v-if="t.uses.length" class="uses" :title="`Used in ${t.uses.length} sequences`">{{
            t.uses.length
          }}</span>
        </button>
      </li>
    </ul>
    <p v-if="shown.length === 0" class="soft">No technique is called that.</p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
.line {
  display: flex;
  align-items: center;
  gap: 10px;
  width: 100%;
  min-height: 52px;
  border: 0;
  border-radius: 12px;
  background: none;
  color: var(--ink);
  font: 500 15px/1.2 var(--text);
  text-align: left;
  cursor: pointer;
  padding: 4px 8px;
}
.line.here {
  background: var(--order-wash);
}
.line > span:nth-child(2) {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.line .soft {
  font-size: 13.5px;
}
.uses {
  font-weight: 700;
}
.gone {
  color: var(--ink-soft);
}
</style>
