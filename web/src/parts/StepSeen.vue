<script setup lang="ts">
import type { Picture } from './picture'
import StepPicture from './StepPicture.vue'
import TablePicture from './TablePicture.vue'

/** The step that is picked, as a class will see it: what is wrong in the picture is wrong in the plan. */
withDefaults(
  defineProps<{
    picture?: Picture
    name: string
    side: string
    still?: boolean
    /** What stands here where there is none. */
    none?: string
  }>(),
  { none: 'No picture yet. Pick a step, or mend what the checks say first.' },
)
</script>

<template>
  <div class="seen">
    <p v-if="!picture" class="soft" role="status">{{ none }}</p>
    <template v-else>
      <div class="big">
        <StepPicture
          :picture="picture"
          :still="still"
          :label="[name, side, ...picture.facts.words].join(', ')"
        />
        <TablePicture class="above" :picture="picture" />
      </div>
      <ul class="facts">
        <li v-for="w in picture.facts.words" :key="w">{{ w }}</li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.seen {
  width: 100%;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.big {
  position: relative;
  width: 100%;
  aspect-ratio: 1;
  border-radius: 14px;
  overflow: hidden;
}
.above {
  position: absolute;
  right: 6px;
  bottom: 6px;
  width: 20%;
  height: auto;
}
.facts {
  margin: 0;
  padding-left: 18px;
  font-size: 15px;
}
</style>
