<script setup lang="ts">
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Problem } from '@/api/client'
import { useAgain } from '@/api/useAgain'
import Standing from '@/parts/Standing.vue'
import TableBoard from './TableBoard.vue'
import { useFloor, type Table } from './useFloor'

/** A table by its address; it has the grader's eyes while it is in front. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const floor = useFloor()
const table = shallowRef<Table>()
const problem = ref<Problem>()

async function again() {
  try {
    const found = await floor.open(props.id)
    if (found.view.finished || (found.taps.finished.value && found.taps.waiting.value === 0))
      return void router.replace(`/review/${props.id}`)
    table.value = found
    problem.value = undefined
    await floor.watch(props.id)
  } catch (e) {
    problem.value = e as Problem
  }
}
useAgain(problem, again)
watch(
  () => props.id,
  () => {
    problem.value = undefined
    return again()
  },
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
