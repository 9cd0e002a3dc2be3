<script setup lang="ts">
import { api, ask } from '@/api/client'
import { useCommand } from '@/api/useCommand'
import { useAsked } from '@/api/useAsked'
import Standing from '@/parts/Standing.vue'
import { inSchool } from '@/parts/when'

/** The backups of the school: one a day by itself, each restored beside the school to see that it is whole. */
const { data: view, problem, loading, again } = useAsked(() => ask(api.GET('/api/school/backups')))
const { busy, failed, during } = useCommand()
async function make() {
  await during(async () => {
    view.value = await ask(api.POST('/api/school/backups'))
  })
}
const when = (iso: string) =>
  inSchool(iso, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  })
const size = (bytes: number) =>
  bytes > 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.ceil(bytes / 1000)} kB`
</script>

<template>
  <section class="card">
    <div class="head">
      <h2>Backups</h2>
      <button v-if="view?.folder" class="push main" :disabled="busy" @click="make">
        {{ busy ? 'Making and proving it…' : 'Make one now' }}
      </button>
    </div>
    <Standing :problem="problem" :loading="loading && !view" @again="again" />
    <template v-if="view">
      <p v-if="!view.folder" role="alert" class="bad">
        This server keeps no backups: it was started without a folder for them. ./palm start and ./palm serve
        give it one.
      </p>
      <p v-else-if="view.kept.length === 0" class="soft">
        None yet. The first is made within the hour, then one a day; seven days and four weeks are kept.
      </p>
      <p v-else class="soft">
        The last was restored beside the school on {{ when(view.kept[0]!.provenAt) }} and held the same rows.
        One a day is made by itself; seven days and four weeks are kept.
      </p>
      <p v-if="view.failed ?? failed?.detail" role="alert" class="bad">
        The last try failed: {{ failed?.detail ?? view.failed }}
      </p>
      <table v-if="view.kept.length" class="lines">
        <thead>
          <tr>
            <th>Proven</th>
            <th>What it holds</th>
            <th>File</th>
            <th class="n">Size</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in view.kept" :key="k.file">
            <td>{{ when(k.provenAt) }}</td>
            <td>{{ k.words }}</td>
            <td class="soft">{{ k.file }}</td>
            <td class="n">{{ size(k.bytes) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="view.folder" class="soft">
        They lie in {{ view.folder }}, readable by this server alone. Copy them to another computer. To put
        one back: ./palm stop, then ./palm restore FILE; ./palm restore --undo goes back to what was there
        before.
      </p>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.bad {
  color: var(--stop);
}
.n {
  text-align: right;
}
</style>
