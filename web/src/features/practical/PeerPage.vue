<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { computed, onScopeDispose } from 'vue'
import { ask, api } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import Standing from '@/parts/Standing.vue'
import PeerLook from './PeerLook.vue'

/** What a student is asked to watch now, on their own phone. */
const { data: looks, problem, loading, again } = useAsked(() => ask(api.GET('/api/me/peer-looks')))
const look = computed(() => looks.value?.[0])
const timer = setInterval(() => !look.value && void again(), 5000)
onScopeDispose(() => clearInterval(timer))
void useWakeLock()
  .request('screen')
  .catch(() => undefined)
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !looks" @again="again" />
    <template v-if="looks && !look">
      <h1>Watch at a table</h1>
      <p class="card soft">
        Nobody asks you to watch now. When your instructor names you as the one who watches, it opens here by
        itself.
      </p>
    </template>
    <PeerLook v-if="look" :key="look.id" :look="look" @done="again" />
  </div>
</template>
