<script setup lang="ts">
import { computed } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { FINGERS } from '@/parts/criteria'
import { points } from '@/parts/words'
import { dayOfYear } from '@/parts/when'

/** Marks of before that came over of a student; a student sees their own. */
const props = defineProps<{ student?: string }>()
const session = useSession()
const { data } = useAsked(() =>
  props.student
    ? ask(api.GET('/api/students/{id}/earlier-marks', { params: { path: { id: props.student } } }))
    : ask(api.GET('/api/me/earlier-marks')),
)
const titles = computed(() => [...new Set(data.value?.map((m) => m.title))])
const finger = (id?: string) => FINGERS.find((f) => f.id === id)?.name ?? 'the whole'
</script>

<template>
  <details v-if="data?.length" class="card">
    <summary>
      <h2>Earlier marks</h2>
      <span class="soft">{{ data.length }} from {{ titles.join(', ') }}; they count for nothing here</span>
    </summary>
    <table class="lines">
      <thead>
        <tr>
          <th>Day</th>
          <th>Of</th>
          <th>Cell</th>
          <th>Points</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(m, i) in data" :key="i">
          <td>{{ m.day ? dayOfYear(m.day) : '–' }}</td>
          <td>
            {{ m.region ? `${session.regionName(m.region)}, ` : '' }}{{ finger(m.criterion).toLowerCase()
            }}<span v-if="m.grader" class="soft"> · {{ m.grader }}</span>
          </td>
          <td>{{ m.given }}</td>
          <td>{{ points(m.points) }}</td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
summary {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  min-height: var(--target);
  cursor: pointer;
}
h2 {
  margin: 0;
}
</style>
