<script setup lang="ts">
import { useSession } from '@/features/session/useSession'
import AddField from '@/parts/AddField.vue'
import { capital, mmss, word } from '@/parts/words'
import type { Capture } from './useCapture'
import type { Progress } from './useProgress'

/** What an action still wants: the end of a break, a number, a zone. */
defineProps<{ progress: Progress; capture: Capture }>()
const session = useSession()
const valueOf = (e: Event) => (e.target as HTMLInputElement).value
const numberOf = (e: Event) => Number((e.target as HTMLInputElement).value)
</script>

<template>
  <p v-if="progress.resting !== undefined" class="flash calm" role="status">
    A break since {{ mmss(progress.resting / 1000) }}: nothing counts until it goes on.
    <button class="push main" @click="capture.rest">Go on</button>
  </p>
  <p v-if="capture.measuring" class="flash calm" role="status">
    <template v-if="capture.measuring === 'pain'"
      >Pain {{ progress.after ? 'after' : 'before' }}: touch the number, or its key.
      <button v-for="n in 11" :key="n" class="push" @click="capture.measure(n - 1)">
        {{ n - 1 }}
      </button></template
    >
    <template v-else
      ><label class="field"
        >Range {{ progress.after ? 'after' : 'before' }}, degrees
        <input
          type="number"
          min="0"
          max="360"
          autofocus
          @keydown.enter="capture.measure(numberOf($event))" /></label
    ></template>
    <button class="push" @click="capture.neverMind">Never mind</button>
  </p>
  <p v-if="capture.noting" class="flash calm" role="status">
    <label class="field words"
      >A note, in words
      <input
        maxlength="400"
        autofocus
        enterkeyhint="done"
        @keydown.enter="capture.note(valueOf($event))"
        @keydown.esc="capture.neverMind" /></label
    ><button class="push" @click="capture.neverMind">Never mind</button>
  </p>
  <p v-if="capture.branching && progress.branching" class="flash calm" role="status">
    {{ progress.branching.step.name }}, instead:
    <button
      v-for="(b, i) in progress.branching.step.detail?.instead"
      :key="i"
      class="push"
      @click="capture.instead(i)"
    >
      {{ capital(word(b.when)) }}: {{ word(b.then) }}{{ b.tool ? `, ${word(b.tool)}` : '' }}
    </button>
    <button class="push" @click="capture.neverMind">Never mind</button>
  </p>
  <p v-if="capture.offPlan" class="flash" role="status">
    Touch the zone of the off-plan stroke on the figure, or choose it:
    <AddField
      label="Zone of the off-plan stroke"
      first="zone"
      :offered="session.catalogue?.zones ?? []"
      @add="(zone) => capture.touch(zone, 'midline')"
    />
    <button class="push" @click="capture.neverMind">Never mind</button>
  </p>
</template>

<style scoped src="./flash.css"></style>
