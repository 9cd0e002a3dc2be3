<script setup lang="ts">
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'

/** In which sensitive regions a student agrees to be worked on: theirs to say and to change, and told to nobody. */
const session = useSession()
const { data } = useAsked(() => ask(api.GET('/api/me/agreed')))
const { busy, failed, during } = useCommand()
type Said = Schema['AgreedRegion']
const say = (region: Said['region'], agreed: boolean | undefined) =>
  during(async () => {
    data.value = await ask(api.PUT('/api/me/agreed', { body: { region, agreed } }))
  })
</script>

<template>
  <details v-if="data?.length">
    <summary>Where I agree to be worked on</summary>
    <p class="soft small">
      Only those who agree are clients for these regions in a practical, and nobody who does not in a lab.
      Change it whenever you like; nobody is told. At the table you are asked again, and your word there
      counts.
    </p>
    <ul>
      <li v-for="r in data" :key="r.region">
        <span>{{ session.regionName(r.region) }}</span>
        <button
          v-for="yes in [true, false]"
          :key="String(yes)"
          class="push"
          :class="{ main: r.agreed === yes }"
          :aria-pressed="r.agreed === yes"
          :aria-label="`${session.regionName(r.region)}: ${yes ? 'I agree' : 'not on me'}`"
          :disabled="busy"
          @click="say(r.region, r.agreed === yes ? undefined : yes)"
        >
          {{ yes ? 'I agree' : 'Not on me' }}
        </button>
      </li>
    </ul>
    <Failed :of="failed" />
  </details>
</template>

<style scoped>
summary {
  min-height: var(--target);
  line-height: var(--target);
  cursor: pointer;
  font-weight: 600;
}
ul {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 8px;
  align-items: center;
  min-height: 48px;
}
.small {
  font-size: 14px;
}
</style>
