<script setup lang="ts">
/** Why the next one is skipped; a number picks a reason, and none is needed. */
defineProps<{ name?: string; reasons: readonly string[] }>()
defineEmits<{ skip: [reason?: string] }>()
</script>

<template>
  <div class="low card" role="dialog" aria-label="Skip" @click.stop>
    <div>
      <p class="big">Skip {{ name }}?</p>
      <div class="reasons">
        <button v-for="(r, i) in reasons" :key="r" class="push" @click="$emit('skip', r)">
          {{ i + 1 }} {{ r }}
        </button>
        <button class="push main" @click="$emit('skip')">Skip it</button>
      </div>
    </div>
  </div>
</template>

<style scoped src="./night.css"></style>
<style scoped>
/* Where the finger is already. */
.low.panel {
  inset: auto 28px 150px;
}
.reasons {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin-top: 14px;
}
.reasons .push {
  min-height: 60px;
  font-size: 20px;
}
@media (max-width: 899px) {
  .low.panel {
    inset: auto 14px 20px;
  }
}
</style>
