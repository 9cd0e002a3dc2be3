import { computed, ref } from 'vue'
import type { Problem } from './client'

/**
 * What a person has the server do: whether it is under way, and how it failed. Commands of one place are done one after another, so that
 * a second tap waits for the first and is not lost; the next one takes back what the last was told.
 */
export function useCommand() {
  const failed = ref<Problem>()
  const waiting = ref(0)
  let last: Promise<unknown> = Promise.resolve()

  async function carriedOut(call: () => Promise<unknown>) {
    failed.value = undefined
    try {
      await call()
      return true
    } catch (e) {
      failed.value = e as Problem
      return false
    } finally {
      waiting.value--
    }
  }

  /** Whether it was done; a problem is in {@link failed}. */
  function during(call: () => Promise<unknown>): Promise<boolean> {
    waiting.value++
    const mine = last.then(() => carriedOut(call))
    last = mine
    return mine
  }
  return { busy: computed(() => waiting.value > 0), failed, during }
}
