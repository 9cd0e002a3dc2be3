<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import { mmss } from '@/parts/words'

/** Which sequences a change of a technique touches, and which of them follow it; one that a stop would come to stays at first. */
const props = defineProps<{ touched: Schema['TouchView'][] }>()
defineEmits<{ store: [follow: string[]]; leave: [] }>()
const follow = ref(new Set<string>())
watch(
  () => props.touched,
  (all) => {
    follow.value = new Set(all.filter((t) => t.follows.length && t.stops <= 0).map((t) => t.sequence))
  },
  { immediate: true },
)
function toggle(id: string) {
  const next = new Set(follow.value)
  if (!next.delete(id)) next.add(id)
  follow.value = next
}
const places = (steps: number[]) => `${steps.length === 1 ? 'step' : 'steps'} ${steps.join(', ')}`
function touchWords(t: Schema['TouchView']) {
  const parts = []
  if (t.follows.length) parts.push(`${places(t.follows)} ${t.follows.length > 1 ? 'change' : 'changes'}`)
  if (t.own.length) parts.push(`${places(t.own)} ${t.own.length > 1 ? 'have their' : 'has its'} own ways`)
  if (t.secondsBefore !== t.secondsAfter) parts.push(`${mmss(t.secondsBefore)} → ${mmss(t.secondsAfter)}`)
  return parts.map((p) => `, ${p}`).join('')
}
const more = (n: number, what: string) =>
  n === 0 ? '' : `${Math.abs(n)} ${n > 0 ? 'more' : 'fewer'} ${what}${Math.abs(n) === 1 ? '' : 's'}`
</script>

<template>
  <div class="touched">
    <h3>{{ touched.length ? 'Who follows?' : 'No sequence uses it: nothing else changes.' }}</h3>
    <ul>
      <li v-for="t in touched" :key="t.sequence">
        <button
          class="push"
          :class="{ main: follow.has(t.sequence) }"
          :aria-pressed="follow.has(t.sequence)"
          :disabled="t.follows.length === 0"
          :aria-label="`${t.name} follows`"
          @click="toggle(t.sequence)"
        >
          {{ follow.has(t.sequence) ? 'follows' : 'stays' }}
        </button>
        <span>
          <strong>{{ t.name }}</strong><span class="soft">{{ touchWords(t) }}</span>
          <b v-if="more(t.stops, 'stop')" class="bad">, {{ more(t.stops, 'stop') }}</b
          ><b v-if="more(t.warns, 'warning')">, {{ more(t.warns, 'warning') }}</b>
        </span>
      </li>
    </ul>
    <button class="push main" @click="$emit('store', [...follow])">Store it</button>
    <button class="push" @click="$emit('leave')">Leave it</button>
  </div>
</template>

<style scoped>
.touched ul {
  list-style: none;
  padding: 0;
}
.touched li {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 50px;
}
.bad {
  color: var(--stop);
}
</style>
