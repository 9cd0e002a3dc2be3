<script setup lang="ts">
import { useOfflineReady } from '@/api/useOfflineReady'

/** Says where this device cannot work with the network down, why, and what to do. Nothing where it can. */
const ready = useOfflineReady()
</script>

<template>
  <p v-if="ready === 'untrusted'" class="card note" role="status">
    <strong>This device cannot open the app with the network down</strong>: its browser does not know the
    school’s certificate. Taps are still kept while this page stays open.
    <router-link to="/install">Install it once</router-link>.
  </p>
  <p v-else-if="ready === 'unable'" class="card note" role="status">
    <strong>This device cannot open the app with the network down</strong>: this browser, or this kind of
    window, keeps no app. Taps are still kept while this page stays open.
  </p>
</template>

<style scoped>
.note {
  padding: 10px 16px;
}
</style>
