<script setup lang="ts">
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import { vTyped } from '@/parts/typed'
import { word } from '@/parts/words'

/** A block as a whole: what it is called, how often and in which order its steps come, how the sheet is opened for it. */
defineProps<{ block: Schema['Block']; first: boolean; opened: boolean }>()
defineEmits<{ change: [patch: Partial<Schema['Block']>]; join: [] }>()
const session = useSession()
</script>

<template>
  <details class="block" :open="opened">
    <summary>In the block “{{ block.name || 'Block' }}”</summary>
    <div class="fields">
      <label
        >Name of the block
        <input
          v-typed="block.name"
          maxlength="80"
          @change="$emit('change', { name: ($event.target as HTMLInputElement).value.trim() })"
        />
      </label>
      <ChoiceField
        label="How the sheet is opened"
        :model-value="block.drape"
        :options="session.catalogue?.drapes"
        none="as the school does"
        @update:model-value="(drape) => $emit('change', { drape })"
      />
      <button
        class="push"
        :aria-pressed="block.repeat === 'each-side'"
        @click="$emit('change', { repeat: block.repeat === 'once' ? 'each-side' : 'once' })"
      >
        {{ block.repeat === 'each-side' ? 'on each side' : 'once' }}
      </button>
      <button
        class="push"
        :aria-pressed="block.order === 'in-order'"
        @click="$emit('change', { order: block.order === 'in-order' ? 'any-order' : 'in-order' })"
      >
        {{ word(block.order) }}
      </button>
      <button v-if="!first" class="push" @click="$emit('join')">Join to the block above</button>
    </div>
  </details>
</template>

<style scoped src="./form.css"></style>
<style scoped>
.block {
  width: 100%;
  border-bottom: 1px solid var(--line);
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: flex-end;
  padding-bottom: 10px;
}
summary {
  min-height: var(--target);
  line-height: var(--target);
  font-size: 14px;
  cursor: pointer;
}
label {
  flex: 1 1 150px;
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
}
</style>
