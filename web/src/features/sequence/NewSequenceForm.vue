<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { askDraft } from '@/core/askDraft'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import ChoiceField from '@/parts/ChoiceField.vue'

/** A new sequence: bare, out of lines as they were written down, or by a template laid over its zones. */
const props = defineProps<{ region?: string }>()
const session = useSession()
const router = useRouter()
const fresh = ref({
  name: '',
  region: props.region ?? '',
  minutes: 20,
  template: '',
  zones: [] as string[],
  lines: '',
})
/** The routine as it was written down, a line a step. */
const WRITTEN = 'written'
const written = computed(() =>
  fresh.value.lines
    .split(/\r?\n/)
    .map((l) => l.replaceAll('\t', ' ').trim())
    .filter(Boolean),
)
const startable = computed(() =>
  fresh.value.template === WRITTEN ? written.value.length > 0 : fresh.value.zones.length > 0,
)
const { busy: beginning, failed: freshProblem, during } = useCommand()
const ofRegion = computed(() =>
  [...session.zones.values()].filter(
    (z) => z.region === fresh.value.region || fresh.value.region === 'whole-body',
  ),
)
watch(
  () => fresh.value.region,
  () => (fresh.value.zones = []),
)
const starts = computed(() => [
  { id: '', name: 'an opening and an end' },
  { id: WRITTEN, name: 'my own lines' },
  ...(session.catalogue?.templates ?? []).map((t) => ({ id: t.id as string, name: `${t.name}: ${t.words}` })),
])
const nameField = ref<HTMLInputElement>()
onMounted(() => nameField.value?.focus())
async function unread(lines: string[]) {
  const ids = lines.map((_, i) => `step-${i + 1}`)
  const jotted = await askDraft('lines', { lines, ids })
  return jotted.filter((j) => j.asked).map((j) => j.line)
}
async function start() {
  const f = fresh.value
  await during(async () => {
    const made = await ask(
      api.POST('/api/sequences', {
        body: {
          name: f.name,
          region: (f.region || undefined) as 'foot',
          slotSeconds: f.minutes * 60,
          ...(f.template === WRITTEN
            ? { lines: written.value }
            : { template: (f.template || undefined) as 'protocol', zones: f.zones as never[] }),
        },
      }),
    )
    // What is no step yet is asked there.
    const asked = f.template === WRITTEN ? await unread(written.value) : []
    await router.push({ path: `/plan/${made.sequence.id}`, state: { lines: asked } })
  })
}
</script>

<template>
  <form class="card fresh" aria-label="New sequence" @submit.prevent="start">
    <label class="name">
      Name
      <input ref="nameField" v-model.trim="fresh.name" maxlength="200" required />
    </label>
    <ChoiceField
      v-model="fresh.region"
      label="Region"
      none="Choose…"
      required
      :options="session.catalogue?.regions"
    />
    <label>
      Minutes, both sides
      <input v-model.number="fresh.minutes" type="number" min="1" max="240" required />
    </label>
    <ChoiceField v-model="fresh.template" label="Start with" :options="starts" />
    <label v-if="fresh.template === WRITTEN" class="name lines">
      Write it down or paste it, a line a step
      <textarea
        v-model="fresh.lines"
        rows="9"
        maxlength="40000"
        placeholder="prone, bolster under the ankles
palm glides up the back of the thigh, 6 x 15 s
knead hamstrings, alternate hands, 1 minute; if it hurts, lighter"
      />
    </label>
    <div v-else class="zones" role="group" aria-label="Zones, in order">
      <span class="soft">{{
        fresh.region ? 'Zones, in order' : 'Choose a region: its zones stand here.'
      }}</span>
      <button
        v-for="z in ofRegion"
        :key="z.id"
        type="button"
        class="push"
        :class="{ main: fresh.zones.includes(z.id) }"
        :aria-pressed="fresh.zones.includes(z.id)"
        @click="
          fresh.zones = fresh.zones.includes(z.id)
            ? fresh.zones.filter((x) => x !== z.id)
            : [...fresh.zones, z.id]
        "
      >
        {{ fresh.zones.includes(z.id) ? `${fresh.zones.indexOf(z.id) + 1} ` : '' }}{{ z.name }}
      </button>
    </div>
    <Failed class="wide" :of="freshProblem" />
    <button class="push main" :disabled="!startable || beginning">Start it</button>
    <span v-if="fresh.region && fresh.template !== WRITTEN && fresh.zones.length === 0" class="soft">
      Touch the zones it works on first.</span
    >
  </form>
</template>

<style scoped>
.fresh {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}
.fresh label {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
}
.fresh .name {
  flex: 1;
  min-width: 220px;
}
.fresh input {
  display: block;
  width: 100%;
  max-width: 420px;
}
.fresh .lines {
  flex-basis: 100%;
}
.lines textarea {
  width: 100%;
  line-height: 1.5;
  padding: 10px 12px;
}
.zones {
  width: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.wide {
  width: 100%;
}
</style>
