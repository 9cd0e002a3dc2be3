<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import DraftStanding from './DraftStanding.vue'
import Standing from './Standing.vue'
import UndoRedo from './UndoRedo.vue'
import { typing } from './typed'
import type { Edited } from './useVersioned'

/** The frame of whatever is edited in versions: its name and how it stands, undo, redo and save with their keys, and what is edited below. */
const props = defineProps<{
  draft: Edited
  name: string
  /** What is said of it beside its version. */
  said: string
  /** Who is signed in may save it. */
  saves: boolean
  back: string
  backLabel: string
}>()
defineSlots<{ default(): unknown; head?(): unknown; acts?(): unknown; theirs?(): unknown }>()

onKeyStroke((e) => {
  if (!e.ctrlKey && !e.metaKey) return
  const key = e.key.toLowerCase()
  if (key === 's') void (props.saves && props.draft.save())
  else if (typing(e)) return
  else if (key === 'z') (e.shiftKey ? props.draft.redo : props.draft.undo)()
  else if (key === 'y') props.draft.redo()
  else return
  e.preventDefault()
})
</script>

<template>
  <div class="page">
    <Standing
      :problem="draft.problem.value"
      :loading="draft.loading.value && !draft.view.value"
      @again="draft.read"
    />
    <template v-if="draft.view.value">
      <div class="top">
        <router-link :to="back" class="push" :aria-label="backLabel">←</router-link>
        <div class="named">
          <h1>{{ name }}</h1>
          <span class="soft"
            >{{ said }} · version {{ draft.view.value.version
            }}{{ draft.dirty.value ? ', with changes not saved' : '' }}</span
          >
        </div>
        <span class="grow" />
        <slot name="head" />
        <UndoRedo
          :undoable="draft.undoable.value"
          :redoable="draft.redoable.value"
          :busy="draft.busy.value"
          @undo="draft.undo"
          @redo="draft.redo"
        />
        <button
          v-if="saves"
          class="push"
          :class="{ main: !$slots.acts }"
          :disabled="!draft.dirty.value || draft.busy.value"
          @click="draft.save()"
        >
          Save
        </button>
        <span v-else class="soft">Instructors save</span>
        <slot name="acts" />
      </div>
      <p v-if="draft.view.value.damaged" class="card" role="alert">{{ draft.view.value.damaged }}</p>
      <DraftStanding
        :restored="draft.restored.value && draft.dirty.value"
        :failed="draft.failed.value"
        :theirs="draft.theirs.value"
        @drop="draft.drop"
        @close="draft.close"
        @take-theirs="draft.takeTheirs"
        @save-mine="draft.save(true)"
      >
        <slot name="theirs" />
      </DraftStanding>
      <slot />
    </template>
  </div>
</template>

<style scoped>
.page {
  height: calc(100dvh - var(--bar));
  min-height: 560px;
  padding: 10px 20px;
  gap: 8px;
}
.top {
  flex-wrap: nowrap;
  gap: 10px;
}
.top :deep(.push) {
  white-space: nowrap;
}
.named {
  min-width: 0;
  line-height: 1.2;
}
h1 {
  font-size: 23px;
}
@media (max-width: 1100px) {
  .top {
    gap: 8px;
  }
  h1 {
    font-size: 19px;
  }
  .top :deep(.push) {
    padding: 6px 10px;
  }
  .top .soft {
    font-size: 14px;
  }
}
@media (max-width: 640px) {
  .page {
    padding: 8px 8px 10px;
    gap: 8px;
    min-height: 0;
  }
  .top {
    flex-wrap: wrap;
    row-gap: 6px;
  }
  .named {
    flex: 1 1 60%;
  }
}
</style>
