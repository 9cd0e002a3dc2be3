import { onScopeDispose, readonly, ref, shallowRef, type Ref } from 'vue'
import type { Problem } from './client'
import { useAgain } from './useAgain'

/** Something asked of the server: loading, there, or failed with a problem, and asked again by itself where nobody answered. Answers that come too late are dropped. */
export function useAsked<T>(load: () => Promise<T>) {
  const data = shallowRef<T>() as Ref<T | undefined>
  const problem = ref<Problem>()
  const loading = ref(false)
  let turn = 0

  async function again() {
    const mine = ++turn
    loading.value = true
    try {
      const answer = await load()
      if (mine !== turn) return
      data.value = answer
      problem.value = undefined
    } catch (e) {
      if (mine === turn) problem.value = e as Problem
    } finally {
      if (mine === turn) loading.value = false
    }
  }
  onScopeDispose(() => turn++)
  useAgain(problem, again)
  void again()
  return {
    data,
    problem: readonly(problem) as Readonly<Ref<Problem | undefined>>,
    loading: readonly(loading),
    again,
  }
}
