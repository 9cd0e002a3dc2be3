<script setup lang="ts">
import { computed } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'

/** The way to what was raised, and how much of it waits. */
const { data } = useAsked(() => ask(api.GET('/api/me/raised')))
const waits = computed(() => (data.value?.secondLooks ?? 0) + (data.value?.stops ?? 0))
</script>

<template>
  <router-link class="push" :class="{ waits }" to="/raised"
    >Raised<template v-if="waits">: {{ waits }} to see to</template></router-link
  >
</template>

<style scoped>
.waits {
  border-color: var(--stop);
  font-weight: 650;
}
</style>
