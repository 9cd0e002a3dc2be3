<script setup lang="ts">
import type { Problem } from '@/api/client'

/** How a draft stands: brought back after a closed tab, refused, or saved by somebody else meanwhile. Both texts are kept. */
defineProps<{
  restored: boolean
  failed?: Problem
  theirs?: { view: { version: number }; mine: string[]; others: string[] }
}>()
defineEmits<{ drop: []; close: []; takeTheirs: []; saveMine: [] }>()
</script>

<template>
  <div v-if="restored" class="card note" role="status">
    <p>Your changes of last time were not saved and are here again.</p>
    <button class="push" @click="$emit('drop')">Drop them</button>
  </div>
  <div v-if="failed" class="card note bad" role="alert">
    <p>{{ failed.detail }}</p>
    <button class="push" @click="$emit('close')">Close</button>
  </div>
  <section v-if="theirs" class="card" role="alert">
    <h2>Somebody saved version {{ theirs.view.version }} meanwhile. Nothing of yours is lost.</h2>
    <div class="two">
      <div>
        <h3>Theirs</h3>
        <ul>
          <li v-for="c in theirs.others" :key="c">{{ c }}</li>
        </ul>
        <button class="push" @click="$emit('takeTheirs')">Take theirs</button>
      </div>
      <div>
        <h3>Yours</h3>
        <ul>
          <li v-for="c in theirs.mine" :key="c">{{ c }}</li>
        </ul>
        <button class="push" @click="$emit('saveMine')">Save yours as the newest</button>
        <slot />
      </div>
    </div>
  </section>
</template>

<style scoped>
.note {
  display: flex;
  gap: 14px;
  align-items: center;
}
.bad {
  border-color: var(--stop);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
}
ul {
  padding-left: 20px;
}
</style>
