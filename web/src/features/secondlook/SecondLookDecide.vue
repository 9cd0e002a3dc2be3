<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { Schema } from '@/api/client'
import { FINGERS, hue, type Criterion } from '@/parts/criteria'
import { points } from '@/parts/words'

/** The lead decides: all stand, or one is another now; and says why. */
const props = defineProps<{ look: Schema['SecondLookView']; busy: boolean }>()
const emit = defineEmits<{ decide: [marks: Partial<Record<Criterion, number>>, reason: string] }>()
const asked = FINGERS.filter((f) => !props.look.criterion || props.look.criterion === f.id)
const given = reactive<Partial<Record<Criterion, string>>>({})
const reason = ref('')
/** Marks that were given otherwise than they stand. */
const marks = computed(() =>
  Object.fromEntries(
    asked.flatMap((f) => {
      const text = (given[f.id] ?? '').trim().replace(',', '.')
      return text === '' || Number(text) === props.look.before[f.id] ? [] : [[f.id, Number(text)]]
    }),
  ),
)
const changes = computed(() => asked.filter((f) => f.id in marks.value))
</script>

<template>
  <form @submit.prevent="emit('decide', marks, reason)">
    <div class="marks">
      <label v-for="f in asked" :key="f.id" :style="{ color: hue(f.id) }"
        >{{ f.name }}
        <input
          v-model="given[f.id]"
          inputmode="decimal"
          :placeholder="points(look.before[f.id])"
          :aria-label="`${f.name}, after the second look`"
        />
      </label>
    </div>
    <label
      >Why
      <textarea v-model="reason" required maxlength="2000" rows="2" />
    </label>
    <div class="acts">
      <button class="push main" :disabled="busy">
        {{
          changes.length
            ? `Change ${changes.map((f) => `${f.name.toLowerCase()} to ${points(marks[f.id])}`).join(', ')}`
            : 'It stands'
        }}
      </button>
    </div>
  </form>
</template>

<style scoped src="./secondLook.css"></style>
<style scoped>
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.marks label {
  flex: 0 1 110px;
  font-weight: 600;
}
</style>
