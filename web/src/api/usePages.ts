import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import type { Problem } from './client'
import { useAsked } from './useAsked'

/** A part of a list; `next` asks for the one after it. */
export interface Page<T> {
  lines: T[]
  next?: string | null
}

/** The rest of a list whose first page is there already: each further page when it is asked for. */
export function useEarlier<T>(first: () => Page<T> | undefined, load: (before: string) => Promise<Page<T>>) {
  const further = shallowRef<Page<T>[]>([])
  const problem = ref<Problem>()
  const loading = ref(false)
  const last = computed(() => further.value.at(-1) ?? first())
  const lines = computed(() => {
    const page = first()
    return page && [page, ...further.value].flatMap((p) => p.lines)
  })
  watch(first, () => (further.value = []))

  async function earlier() {
    const from = last.value?.next
    if (!from || loading.value) return
    const begun = first()
    loading.value = true
    try {
      const page = await load(from)
      if (first() === begun) further.value = [...further.value, page]
      problem.value = undefined
    } catch (e) {
      problem.value = e as Problem
    } finally {
      loading.value = false
    }
  }
  return { lines, more: computed(() => !!last.value?.next), problem, loading, earlier }
}

/** A list that comes page by page: the first at once, the others when they are asked for. */
export function usePages<T>(load: (before?: string) => Promise<Page<T>>) {
  const { data, problem, loading, again } = useAsked(() => load())
  const rest = useEarlier(() => data.value, load)
  return {
    lines: rest.lines,
    more: rest.more,
    earlier: rest.earlier,
    problem: computed(() => problem.value ?? rest.problem.value),
    loading: computed(() => loading.value || rest.loading.value),
    again,
  }
}

/** Asks for each further page as long as something is looked for that may be on it. */
export function readOnWhile(
  pages: { lines: Ref<unknown>; more: Ref<boolean>; earlier: () => Promise<void> },
  sought: () => boolean,
) {
  watch([sought, pages.lines], () => {
    if (sought() && pages.more.value) void pages.earlier()
  })
}
