<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'
import { timeOf } from '@/parts/when'

/** Where the clock on the school's wall is: labs, days and calendars are by it, wherever somebody looks at them. */
const session = useSession()
const { failed, during } = useCommand()
const now = ref(Date.now())
const zones = computed(() => {
  const all = Intl.supportedValuesOf('timeZone')
  const own = session.session?.zone ?? 'UTC'
  return all.includes(own) ? all : [own, ...all]
})
const zone = computed({
  get: () => session.session?.zone,
  set: (to) =>
    void during(async () => {
      if (!to || to === session.session?.zone) return
      await ask(api.PUT('/api/school/zone', { body: { zone: to } }))
      await session.read()
      now.value = Date.now()
    }),
})
</script>

<template>
  <section class="card">
    <h2>Time zone</h2>
    <p class="soft">The clock on the wall shows {{ timeOf(now) }} now. Labs and calendars go by it.</p>
    <ChoiceField
      v-model="zone"
      bare
      label="Where the school is"
      :options="zones.map((z) => ({ id: z, name: z }))"
    />
    <Failed :of="failed" />
  </section>
</template>
