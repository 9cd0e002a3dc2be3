import type { Ref } from 'vue'
import { api, ask, type Problem } from '@/api/client'

/** Another address for the class screen, so that nobody who knew the last one follows on. */
export async function newAddress<View extends { screen: string }>(
  view: Ref<View | undefined>,
  problem: Ref<Problem | undefined>,
) {
  try {
    const { code } = await ask(api.POST('/api/screens'))
    if (view.value) view.value = { ...view.value, screen: code }
  } catch (e) {
    problem.value = e as Problem
  }
}
