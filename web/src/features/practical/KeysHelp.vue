<script setup lang="ts">
import type { FingerKeys } from './useFingerKeys'

/** What each key does; those of the fingers can be changed, all can be switched off. */
const props = defineProps<{ keyed: FingerKeys }>()
defineEmits<{ close: [] }>()
function change(id: FingerKeys['keys'][number]['id'], e: Event) {
  const key = (e.target as HTMLInputElement).value.toLowerCase()
  props.keyed.map({ ...props.keyed.own, [id]: key })
}
</script>

<template>
  <div class="card keys" role="document">
    <h2>One key each</h2>
    <p>
      The left hand rests on A S D F and space; each opens its finger, which stays open till another is. The
      right hand picks within it; a letter means the same in its finger all through the run and on the floor.
      Digits are what the client says, T is ten. Arrows choose a step, Enter starts it. Shift and 0 to 5 is
      the depth seen; the key of Hold is pressed as long as it lasts, or tapped at both ends. B begins and
      ends a break. U takes back, X is the safety stop. G goes to the floor, [ and ] to the tables beside.
    </p>
    <p>
      On a screen of glass, Lay hand puts the five fingers under your own: lay the hand down once, then tap
      with the finger you mean, and again with the one that has what you saw. Lay it anew whenever it has
      drifted. Five fingers closing on the screen may mean something to the tablet itself; that can be
      switched off in its settings.
    </p>
    <v-switch
      :model-value="keyed.enabled"
      label="Single keys are on"
      hide-details
      @update:model-value="keyed.enable(!!$event)"
    />
    <div class="map">
      <label v-for="k in keyed.keys" :key="k.id">
        {{ k.name }}
        <input
          :value="keyed.own[k.id] ?? ''"
          maxlength="1"
          :placeholder="k.keyName"
          :aria-label="`Key for ${k.name}`"
          @input="change(k.id, $event)"
        />
      </label>
    </div>
    <button class="push main" @click="$emit('close')">Close</button>
  </div>
</template>

<style scoped>
.keys {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.map {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
.map label {
  display: flex;
  flex-direction: column;
  font-size: 14px;
  font-weight: 600;
}
.map input {
  width: 96px;
  text-align: center;
}
</style>
