<script setup lang="ts">
import { computed } from 'vue'
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'

/** How the school judges: its profiles side by side, and which is in use. */
const session = useSession()
const { data: settings } = useAsked(() => ask(api.GET('/api/settings')))
const { data: profiles, again } = useAsked(() => ask(api.GET('/api/profiles')))
const lead = computed(() => session.person?.role === 'lead')
const { failed, during } = useCommand()

async function choose(id: string) {
  await during(async () => {
    await ask(api.PUT('/api/school/profile/{id}', { params: { path: { id } } }))
    await again()
  })
}
/** What the profiles say differently, in the words of their rows. */
const rows = computed(() => {
  const all = profiles.value ?? []
  const line = (id: string, name: string, group: string, value: (profile: string) => string) => ({
    id,
    name,
    group,
    values: all.map((p) => value(p.profile.id)),
  })
  return [
    ...(settings.value?.settings ?? []).map((s) =>
      line(s.id, s.question, s.group, (p) => s.options.find((o) => o.id === s.chosen[p])?.label ?? ''),
    ),
    ...(settings.value?.numbers ?? []).map((n) =>
      line(n.id, n.name, n.group, (p) => `${n.chosen[p] ?? ''} ${n.unit}`.trim()),
    ),
  ].filter((r) => new Set(r.values).size > 1)
})
</script>

<template>
  <section class="card" tabindex="0">
    <h2>How this school judges</h2>
    <table v-if="profiles" class="lines">
      <thead>
        <tr>
          <th></th>
          <th v-for="p in profiles" :key="p.profile.id">{{ p.profile.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td></td>
          <td v-for="p in profiles" :key="p.profile.id">
            <div class="acts">
              <button
                class="push"
                :class="{ main: p.ofSchool }"
                :disabled="!lead || p.ofSchool"
                @click="choose(p.profile.id)"
              >
                {{ p.ofSchool ? 'In use' : 'Use this' }}
              </button>
              <router-link class="push" :to="`/school/profile/${p.profile.id}`">Open</router-link>
              <a class="push" :href="`/api/profiles/${p.profile.id}/file`" download>File</a>
            </div>
          </td>
        </tr>
        <tr v-for="r in rows" :key="r.id">
          <td>{{ r.name }}</td>
          <td v-for="(v, i) in r.values" :key="i">{{ v }}</td>
        </tr>
      </tbody>
    </table>
    <p class="law">
      Only what they say differently stands here; Open shows all of it. {{ session.catalogue?.law }}
    </p>
    <Failed :of="failed" />
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
}
.bad {
  color: var(--stop);
}
</style>
