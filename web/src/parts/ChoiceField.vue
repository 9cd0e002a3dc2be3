<script setup lang="ts" generic="T extends string | number">
import { computed } from 'vue'
import { word } from './words'

/** A value that is its own word, or has a name; one that is off is seen and cannot be taken. */
type Option = T | { id: T; name: string; off?: boolean }
type Group = { group: string; options: readonly Option[] }

/** One of a few, in a list that opens as lists do on the device it is on. */
const props = defineProps<{
  label: string
  options?: readonly (Option | Group)[]
  /** What the first line says, which chooses none. */
  none?: string
  /** One must be chosen: none is where it begins, and nothing to go back to. */
  required?: boolean
  /** The label is heard and not shown. */
  bare?: boolean
  /** What is heard instead, where the label is short for the eye. */
  heard?: string
}>()
const model = defineModel<T>()
const chosen = computed({
  get: (): T | '' => model.value ?? '',
  set: (value) => (model.value = value === '' && props.none !== undefined ? undefined : (value as T)),
})
const whole = (o: Option) => (typeof o === 'object' ? o : { id: o, name: word(String(o)), off: false })
const isGroup = (o: Option | Group): o is Group => typeof o === 'object' && 'group' in o
const lines = computed(() =>
  (props.options ?? []).map((o) =>
    isGroup(o) ? { group: o.group, options: o.options.map(whole) } : { options: [whole(o)] },
  ),
)
</script>

<template>
  <component :is="bare ? 'span' : 'label'" class="choice">
    <template v-if="!bare">{{ label }}</template>
    <select v-model="chosen" :aria-label="heard ?? (bare ? label : undefined)" :required>
      <option v-if="none !== undefined" value="" :disabled="required">{{ none }}</option>
      <template v-for="(l, i) in lines" :key="i">
        <optgroup v-if="'group' in l" :label="l.group">
          <option v-for="o in l.options" :key="o.id" :value="o.id" :disabled="o.off">{{ o.name }}</option>
        </optgroup>
        <option v-for="o in l.options" v-else :key="o.id" :value="o.id" :disabled="o.off">
          {{ o.name }}
        </option>
      </template>
    </select>
  </component>
</template>

<style scoped>
/* Where it stands may say otherwise, as of every label. */
:where(.choice) {
  display: block;
  min-width: 0;
}
select {
  width: 100%;
}
.field > select {
  flex: 1 1 auto;
  width: auto;
  min-width: 0;
}
</style>
