<script setup lang="ts">
/** What each key of the presenter does. */
const KEYS = [
  ['Space → ↓ Page down, a tap', 'on'],
  ['← ↑ Page up', 'back'],
  ['P or .', 'pause, go on'],
  ['L', 'the next one later'],
  ['S', 'skip the next one'],
  ['T', 'take the offer to end on time'],
  ['A', 'go on by itself'],
  ['M', 'clicks, a voice, silence'],
  ['V', 'the picture, the words, both'],
  ['C', 'address of the class screen'],
  ['Esc', 'leave'],
]
</script>

<template>
  <div class="card" role="dialog" aria-label="Keys" @click.stop>
    <dl class="keys">
      <template v-for="[k, what] in KEYS" :key="k">
        <dt>{{ k }}</dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </div>
</template>

<style scoped src="./night.css"></style>
