<script setup lang="ts">
import type { Schema } from '@/api/client'

/** Every version that was saved; one opened says what it changed, and can be gone back to. */
defineProps<{
  versions?: Schema['VersionLine'][]
  opened?: Schema['VersionView']
  /** The version that is worked on. */
  now: number
  more: boolean
}>()
defineEmits<{ open: [version: number]; back: [version: Schema['VersionView']]; earlier: [] }>()
</script>

<template>
  <template v-for="v in versions" :key="v.version">
    <button class="version" :aria-expanded="opened?.version === v.version" @click="$emit('open', v.version)">
      <strong>{{ v.version }}</strong> {{ v.what }}
    </button>
    <div v-if="opened?.version === v.version" class="opened">
      <ul>
        <li v-for="c in opened.changes" :key="c">{{ c }}</li>
      </ul>
      <button v-if="v.version !== now" class="push" @click="$emit('back', opened)">
        Back to version {{ v.version }}
      </button>
    </div>
  </template>
  <button v-if="more" class="push earlier" @click="$emit('earlier')">Earlier</button>
</template>

<style scoped>
.version {
  min-height: var(--target);
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  font: 500 15px var(--text);
  cursor: pointer;
}
.opened ul {
  padding-left: 20px;
  font-size: 14px;
}
</style>
