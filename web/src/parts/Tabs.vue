<script setup lang="ts" generic="T extends string">
/** A list of tabs with one in front: arrow keys go along it, and on a narrow screen it scrolls. */
defineProps<{ tabs: readonly { value: T; name: string }[]; label?: string }>()
const chosen = defineModel<T>({ required: true })
</script>

<template>
  <v-tabs v-model="chosen" class="tabs" :aria-label="label" height="44" :show-arrows="false" hide-slider>
    <v-tab v-for="t in tabs" :key="t.value" :value="t.value" :text="t.name" :ripple="false" variant="flat" />
  </v-tabs>
</template>

<style scoped>
.tabs {
  flex: none;
  width: 100%;
}
.tabs :deep(.v-slide-group__content) {
  gap: 6px;
}
.tabs :deep(.v-tab.v-btn) {
  flex: 1 0 auto;
  min-width: 44px;
  padding: 0 10px;
  border: 1.5px solid var(--ink);
  border-radius: 14px;
  background: var(--paper);
  color: var(--ink);
  font: 600 14px var(--text);
}
.tabs :deep(.v-tab--selected.v-btn) {
  background: var(--ink);
  color: var(--paper);
}
</style>
