<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { askDraft } from '@/core/askDraft'
import Failed from '@/parts/Failed.vue'
import { mmss } from '@/parts/words'

/** What all mends together would do and cost, and the button that does it as one act. */
const props = defineProps<{ sequence: Schema['Sequence']; profile?: string; client?: string }>()
const emit = defineEmits<{ take: [what: string, sequence: Schema['Sequence']]; leave: [] }>()
const hints = ref(true)
const answer = ref<Schema['MendAllView']>()
const { busy, failed: problem, during } = useCommand()
async function look() {
  const { sequence, profile, client } = props
  await during(async () => {
    const said = await askDraft('mendAll', { sequence, profile, client, hints: hints.value })
    // Of an older text nothing is shown.
    if (props.sequence === sequence) answer.value = said
  })
}
watch(
  [() => props.sequence, hints],
  () => {
    answer.value = undefined
    void look()
  },
  { immediate: true },
)
const left = computed(() => answer.value?.plan.findings ?? [])
const cost = (seconds: number) =>
  Math.round(seconds) === 0 ? '' : `${seconds > 0 ? '+' : '−'}${mmss(Math.abs(seconds))}`
const over = computed(() => answer.value && answer.value.afterSeconds - props.sequence.slotSeconds)
function take() {
  const a = answer.value
  if (a) emit('take', `Mended ${a.mends.length} ${a.mends.length === 1 ? 'thing' : 'things'}`, a.sequence)
}
</script>

<template>
  <section class="all" aria-label="Mend all">
    <p class="acts">
      <button class="push main" :disabled="busy || !answer?.mends.length" @click="take">
        Mend all of it
      </button>
      <button class="push" @click="emit('leave')">Leave it</button>
      <label class="tick"><input v-model="hints" type="checkbox" /> Hints too</label>
    </p>
    <p v-if="!answer && !problem" class="soft" role="status">Trying every mend…</p>
    <Failed :of="problem" />
    <template v-if="answer">
      <p>
        <strong>{{ mmss(answer.beforeSeconds) }} → {{ mmss(answer.afterSeconds) }}</strong>
        <span class="soft">
          · {{ answer.mends.length }} {{ answer.mends.length === 1 ? 'mend' : 'mends' }},
          {{ left.length ? `${left.length} left to you` : 'nothing left' }}</span
        >
      </p>
      <p v-if="over! > 0 && answer.mends.length" class="soft">
        {{ mmss(over!) }} over the slot then: Fit shortens it afterwards.
      </p>
      <p v-if="answer.mends.length === 0" class="soft">There is nothing that can be mended by itself.</p>
      <ol v-else>
        <li v-for="(m, i) in answer.mends" :key="i" :class="m.severity">
          <strong>{{ m.label }}</strong> <span class="cost">{{ cost(m.seconds) }}</span>
          <span class="soft">{{ m.sentence }}</span>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.all {
  display: flex;
  flex-direction: column;
  gap: 8px;
  width: 100%;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
li {
  border-left: 5px solid var(--hint);
  padding-left: 12px;
  font-size: 14.5px;
}
li.stop {
  border-color: var(--stop);
}
li.warn {
  border-color: var(--warn);
}
li .soft {
  display: block;
  font-size: 13.5px;
}
.cost {
  font-variant-numeric: tabular-nums;
  font-weight: 700;
}
.tick {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: var(--target);
}
.tick input {
  width: 22px;
  height: 22px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.bad {
  color: var(--stop);
  font-weight: 600;
}
</style>
