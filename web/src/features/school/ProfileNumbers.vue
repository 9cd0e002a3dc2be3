<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { vTyped } from '@/parts/typed'

/** The numbers of a profile: which rules each moves, what is usual, what other profiles say. */
const props = defineProps<{
  profile: string
  numbers: Schema['NumberView'][]
  /** What is not saved yet, by id. */
  made: Record<string, number>
  /** Name of a profile. */
  name: (id: string) => string
  moves: (rules: string[]) => string
}>()
defineEmits<{ change: [number: Schema['NumberView'], value: number] }>()
/** What all numbers that are shown move, where it is one thing: it is said once. */
const oneRule = computed(() => {
  const all = new Set(props.numbers.map((n) => props.moves(n.rules)))
  return all.size === 1 && props.numbers.length > 1 ? [...all][0] : undefined
})
</script>

<template>
  <section class="card" aria-label="Numbers">
    <h2>Numbers</h2>
    <p v-if="oneRule" class="soft small">{{ oneRule }}</p>
    <div v-for="n in numbers" :key="n.id" class="rule">
      <div>
        <strong>{{ n.name }}</strong>
        <p class="soft small">
          <template v-if="!oneRule">{{ moves(n.rules) }}</template>
          <template v-if="n.usual && n.usual[profile] !== (made[n.id] ?? n.chosen[profile])">
            {{ oneRule ? '' : '· ' }}our own; usual: {{ n.usual[profile] }}
          </template>
          <template
            v-for="[other, value] in Object.entries(n.chosen).filter(
              ([who, v]) => who !== profile && v !== (made[n.id] ?? n.chosen[profile]),
            )"
            :key="other"
          >
            · {{ name(other) }}: {{ value }}
          </template>
        </p>
      </div>
      <label class="number">
        <input
          v-typed="made[n.id] ?? n.chosen[profile]"
          type="number"
          :min="n.least"
          :max="n.most"
          :step="n.whole ? 1 : 'any'"
          :aria-label="n.name"
          @change="$emit('change', n, Number(($event.target as HTMLInputElement).value))"
        />
        {{ n.unit }}
      </label>
    </div>
  </section>
</template>

<style scoped src="./profile.css"></style>
<style scoped>
.number {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 150px;
}
.number input {
  width: 92px;
}
</style>
