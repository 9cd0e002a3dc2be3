<script setup lang="ts">
import { ref } from 'vue'
import type { Schema } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { askDraft } from '@/core/askDraft'
import { useSession } from '@/features/session/useSession'
import AddField from '@/parts/AddField.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'

/** Many steps at once: a pattern laid over zones, in their order. */
const props = defineProps<{ sequence: Schema['Sequence']; profile?: string }>()
const emit = defineEmits<{ lay: [what: string, blocks: Schema['Block'][]] }>()
const session = useSession()
const { busy, failed, during } = useCommand()
const template = ref<string>()
const zones = ref<string[]>([])
async function lay() {
  await during(async () => {
    const blocks = await askDraft('template', {
      sequence: props.sequence,
      profile: props.profile,
      template: template.value as 'protocol',
      zones: zones.value as never[],
    })
    const name = session.catalogue?.templates.find((t) => t.id === template.value)?.name ?? 'Template'
    emit('lay', `Laid ${name.toLowerCase()} over ${zones.value.length} zones`, blocks)
  })
}
</script>

<template>
  <form class="lay" @submit.prevent="lay">
    <ChoiceField
      label="Pattern"
      :model-value="template"
      :options="session.catalogue?.templates.map((t) => ({ id: t.id, name: `${t.name}: ${t.words}` }))"
      none="Choose…"
      @update:model-value="(v) => (template = v)"
    />
    <label>
      Zones, in order
      <span class="zones">
        <button
          v-for="z in zones"
          :key="z"
          type="button"
          class="push"
          @click="zones = zones.filter((x) => x !== z)"
        >
          {{ session.zoneName(z) }} ×
        </button>
        <AddField
          label="Lay over a zone"
          first="Add a zone…"
          :offered="session.catalogue?.zones.filter((z) => !zones.includes(z.id)) ?? []"
          @add="(id) => (zones = [...zones, id])"
        />
      </span>
    </label>
    <Failed :of="failed" />
    <button class="push main" :disabled="busy || !template || zones.length === 0">Lay it down</button>
  </form>
</template>

<style scoped>
.lay {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.lay label {
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
  width: 100%;
}
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
