<script setup lang="ts">
import { onBeforeUnmount, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useCommand } from '@/api/useCommand'
import { useAgain } from '@/api/useAgain'
import Standing from '@/parts/Standing.vue'
import TableBoard from './TableBoard.vue'
import { useFloor, type Table } from './useFloor'

/** A table by its address; it has the grader's eyes while it is in front. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const floor = useFloor()
const table = shallowRef<Table>()
const { failed: problem, during } = useCommand()

async function again() {
  await during(async () => {
    const found = await floor.open(props.id)
    if (found.view.finished || (found.taps.finished.value && found.taps.waiting.value === 0))
      return void router.replace(`/review/${props.id}`)
    table.value = found
    await floor.watch(props.id)
  })
}
useAgain(problem, again)
watch(
  () => props.id,
  () => again(),
  { immediate: true },
)
// The others stand beside it.
void floor.load()
onBeforeUnmount(() => void floor.watch(undefined))
</script>

<template>
  <TableBoard v-if="table" :key="table.id" :table="table" />
  <div v-else class="page">
    <Standing :problem="problem" :loading="!problem" @again="again" />
  </div>
</template>
