<script setup lang="ts">
import { api, ask } from '@/api/client'
import StepSeen from '@/parts/StepSeen.vue'
import { useStepPicture } from '@/parts/useStepPicture'

/** How a step of a practical's plan is done: the picture the class saw. */
const props = defineProps<{ practical: string; step: string; side?: string; name: string; still?: boolean }>()
const picture = useStepPicture(
  () => `${props.practical}/${props.step}/${props.side ?? ''}`,
  () =>
    ask(
      api.GET('/api/practicals/{id}/steps/{step}/picture', {
        params: { path: { id: props.practical, step: props.step }, query: { side: props.side } },
      }),
    ),
)
</script>

<template>
  <StepSeen
    none="No picture of this step yet."
    :picture="picture"
    :name="name"
    :side="side ?? ''"
    :still="still"
  />
</template>
