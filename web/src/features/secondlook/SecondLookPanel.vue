<script setup lang="ts">
import { computed } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import type { Criterion } from '@/parts/criteria'
import Failed from '@/parts/Failed.vue'
import { dayOfYear } from '@/parts/when'
import SecondLookAsk from './SecondLookAsk.vue'
import SecondLookDecide from './SecondLookDecide.vue'
import SecondLookShown from './SecondLookShown.vue'

/** Second looks at one practical: the student asks for one, the lead decides. */
const props = defineProps<{ practical: string; mine: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const { data, again } = useAsked(() =>
  ask(api.GET('/api/practicals/{id}/second-looks', { params: { path: { id: props.practical } } })),
)
const { busy, failed, during } = useCommand()
const lead = computed(() => session.person?.role === 'lead')
const waiting = computed(() => data.value?.looks.find((l) => l.state === 'waits'))
/** Nothing to say where nobody asked and nobody here may. */
const shown = computed(
  () => data.value && (data.value.looks.length > 0 || (props.mine && data.value.lastDay)),
)
const askFor = (asking: { criterion?: Criterion; reason: string }) =>
  during(async () => {
    data.value = await ask(
      api.POST('/api/practicals/{id}/second-looks', {
        params: { path: { id: props.practical } },
        body: asking,
      }),
    )
  })
const withdraw = (id: string) =>
  during(async () => {
    data.value = await ask(api.POST('/api/second-looks/{id}/withdrawal', { params: { path: { id } } }))
  })
const decide = (id: string, marks: Partial<Record<Criterion, number>>, reason: string) =>
  during(async () => {
    await ask(
      api.POST('/api/second-looks/{id}/decision', {
        params: { path: { id } },
        body: { revision: data.value!.revision, marks, reason },
      }),
    )
    await again()
    emit('changed')
  })
</script>

<template>
  <section v-if="shown && data" class="card" aria-label="Second look">
    <h2>Second look</h2>
    <template v-for="l in data.looks" :key="l.id">
      <SecondLookShown :look="l" />
      <SecondLookDecide
        v-if="lead && l === waiting"
        :look="l"
        :busy="busy"
        @decide="(marks, reason) => decide(l.id, marks, reason)"
      />
    </template>
    <template v-if="mine">
      <template v-if="!data.shut">
        <p class="soft">
          You think a mark should be another? You may ask until {{ dayOfYear(data.lastDay!) }}; the lead
          decides, and both stay here.
        </p>
        <SecondLookAsk :busy="busy" @ask="askFor" />
      </template>
      <button v-else-if="waiting" class="push" :disabled="busy" @click="withdraw(waiting.id)">
        Take it back
      </button>
      <p v-else class="soft">{{ data.shut }}</p>
    </template>
    <Failed :of="failed" />
  </section>
</template>
