<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import Standing from '@/parts/Standing.vue'
import { FINGERS } from '@/parts/criteria'
import { counted } from '@/parts/words'

/** How often each student can be looked at in the labs to come, before there is any of it: by the plan that is saved. */
const props = defineProps<{ term: string; version: number }>()
const graders = ref(1)
const { data, problem, loading, again } = useAsked(() =>
  ask(
    api.GET('/api/terms/{term}/looks', {
      params: { path: { term: props.term }, query: { graders: graders.value } },
    }),
  ),
)
watch([graders, () => props.version], () => void again())
</script>

<template>
  <details class="looks">
    <summary>
      <strong>Looks</strong>
      <span v-if="data && data.students" :class="{ warn: data.enough < data.students }"
        >: {{ data.enough }} of {{ counted(data.students, 'student') }} often enough</span
      >
    </summary>
    <Standing v-if="!data" :problem="problem" :loading="loading" @again="again" />
    <template v-else>
      <p>{{ data.sentence }}</p>
      <p v-if="data.students" class="soft">
        {{ Math.round(data.there) }} minutes of eyes in labs with hands on,
        {{ Math.round(data.needed) }} needed for two days of each. A look is one criterion of one student for
        3 minutes.
      </p>
      <ul>
        <li v-for="c in data.criteria" :key="c.criterion">
          {{ FINGERS.find((f) => f.id === c.criterion)?.name }}: {{ counted(c.labs, 'lab') }} can show it
        </li>
      </ul>
      <div class="acts">
        <span>Graders</span>
        <button
          v-for="n in 4"
          :key="n"
          class="push"
          :class="{ main: graders === n }"
          :aria-pressed="graders === n"
          @click="graders = n"
        >
          {{ n }}
        </button>
      </div>
    </template>
  </details>
</template>

<style scoped>
.looks {
  border-top: 1px solid var(--line);
}
summary {
  min-height: var(--target);
  line-height: var(--target);
  cursor: pointer;
}
ul {
  margin: 0;
  padding-left: 20px;
}
.acts {
  display: flex;
  gap: 8px;
  align-items: center;
}
.warn {
  color: var(--warn);
  font-weight: 650;
}
</style>
