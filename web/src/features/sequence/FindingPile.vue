<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import FindingCard from '@/parts/FindingCard.vue'

/** What one rule says: the first of it, and where it says the same again; each of them where one asks. */
const props = defineProps<{
  findings: Schema['CheckView'][]
  /** What a step is called in the list. */
  number: (step: string) => number
  busy?: boolean
}>()
const emit = defineEmits<{ open: [Schema['CheckView']]; mend: [Schema['CheckView']] }>()
const each = ref(false)
const shown = computed(() => (each.value ? props.findings : props.findings.slice(0, 1)))
const more = computed(() => props.findings.slice(1))
</script>

<template>
  <FindingCard
    v-for="f in shown"
    :key="f.finding.key"
    :finding="f.finding"
    :mend="f.mend"
    :busy="busy"
    @open="emit('open', f)"
    @mend="emit('mend', f)"
  />
  <p v-if="more.length" class="more" :class="findings[0]!.finding.severity">
    <template v-if="!each">
      <span>{{ findings[0]!.finding.rule }} says the same at</span>
      <button v-for="f in more" :key="f.finding.key" class="push" @click="emit('open', f)">
        {{ f.finding.where.step ? `Step ${number(f.finding.where.step)}` : 'another moment' }}
      </button>
    </template>
    <button class="plain" :aria-expanded="each" @click="each = !each">
      {{ each ? `Only the first ${findings[0]!.finding.rule}` : `Show all ${findings.length}` }}
    </button>
  </p>
</template>

<style scoped>
.more {
  border-left: 5px solid var(--hint);
  padding-left: 12px;
  margin-top: -12px;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  font-size: 13.5px;
  color: var(--ink-soft);
}
.more.stop {
  border-color: var(--stop);
}
.more.warn {
  border-color: var(--warn);
}
.plain {
  background: none;
  border: 0;
  padding: 0 6px;
  font: inherit;
  font-weight: 600;
  color: var(--ink);
  text-decoration: underline;
  cursor: pointer;
  min-height: var(--target);
}
</style>
