<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { counted, day, points, word } from '@/parts/words'

/** Practicals as lines of a list, each a way to its review. */
const props = defineProps<{
  title: string
  lines: readonly Schema['PracticalLine'][]
  none?: string
  /** Whether there are earlier ones that are not here yet. */
  more?: boolean
}>()
const emit = defineEmits<{ earlier: [] }>()
const shown = computed(() => props.lines.length > 0 || props.none)
/** As many as fit a screen; the others when they are wanted. */
const FEW = 10
const all = ref(false)
const few = computed(() => (all.value ? props.lines : props.lines.slice(0, FEW)))
</script>

<template>
  <section v-if="shown" class="card">
    <h2>
      {{ title }} <span class="soft">{{ lines.length }}{{ more ? ' and more' : '' }}</span>
    </h2>
    <p v-if="lines.length === 0" class="soft">{{ none }}</p>
    <router-link v-for="l in few" :key="l.id" class="line" :to="`/review/${l.id}`">
      <strong>{{ l.student }}</strong><span>{{ l.sequence }}</span
      ><span class="soft">{{ l.grader }}{{ l.kind === 'practical' ? '' : `, ${word(l.kind)}` }}</span
      ><span class="soft">{{ day(l.startedAt) }}</span>
      <span v-if="l.voidReason" class="go soft">void</span>
      <span v-else-if="l.since" class="go">{{ counted(l.since, 'tap') }} since</span>
      <span v-else-if="l.result" class="go" :class="l.result">{{ points(l.mean) }} · {{ l.result }}</span>
      <span v-else class="go">review</span>
    </router-link>
    <button v-if="few.length < lines.length" class="push earlier" @click="all = true">
      All {{ lines.length }}
    </button>
    <button v-else-if="more" class="push earlier" @click="emit('earlier')">Earlier</button>
  </section>
</template>

<style scoped src="./lines.css"></style>
