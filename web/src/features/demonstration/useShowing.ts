import { useIntervalFn } from '@vueuse/core'
import { computed, readonly, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'

type View = Schema['DemonstrationView']
interface Mark {
  id: string
  what: 'started' | 'finished'
  index: number
  atSeconds: number
}

/**
 * A demonstration that runs. The clock reads time and never counts ticks, so a frozen page is right again at once; marks that
 * the server has not answered yet are kept and sent again.
 */
export function useShowing(id: string) {
  const view = shallowRef<View>()
  const problem = ref<Problem>()
  const waiting = ref<Mark[]>([])
  const now = ref(0)
  let base = 0
  let read = 0
  let sending = false
  /** What was pressed last, shown before the server has answered. */
  const here = ref<{ index: number; at: number; finished: boolean }>()

  const clock = () => base + (performance.now() - read) / 1000
  function take(v: View) {
    if (!view.value) {
      base = v.elapsedSeconds
      read = performance.now()
    }
    view.value = v
    if (waiting.value.length === 0)
      here.value = { index: v.progress.current, at: v.progress.startedAt, finished: v.progress.finished }
    now.value = clock()
  }
  async function again() {
    try {
      take(await ask(api.GET('/api/demonstrations/{id}', { params: { path: { id } } })))
      problem.value = undefined
    } catch (e) {
      problem.value = e as Problem
    }
  }
  async function flush() {
    if (sending) return
    sending = true
    try {
      while (waiting.value[0]) {
        const mark = waiting.value[0]
        const answer = await ask(
          api.POST('/api/demonstrations/{id}/marks', { params: { path: { id } }, body: mark }),
        )
        waiting.value = waiting.value.slice(1)
        take(answer)
      }
      problem.value = undefined
    } catch (e) {
      const p = e as Problem
      // What the server refuses will be refused again; what it never saw is kept.
      if (p.status >= 400 && p.status < 500 && p.status !== 401) waiting.value = waiting.value.slice(1)
      problem.value = p
    } finally {
      sending = false
    }
  }
  function mark(what: Mark['what'], index: number) {
    const atSeconds = Math.round(clock() * 1000) / 1000
    waiting.value = [...waiting.value, { id: crypto.randomUUID(), what, index, atSeconds }]
    here.value = { index: what === 'started' ? index : -1, at: atSeconds, finished: what === 'finished' }
    void flush()
  }
  useIntervalFn(() => (now.value = clock()), 200)
  useIntervalFn(() => void (waiting.value.length ? flush() : again()), 3000)
  void again()

  const count = computed(() => view.value?.spans.length ?? 0)
  function next() {
    if (!view.value || !here.value || here.value.finished) return
    const to = here.value.index + 1
    if (to < count.value) mark('started', to)
    else mark('finished', count.value - 1)
  }
  function back() {
    if (!here.value) return
    const from = here.value.finished ? count.value : here.value.index
    if (from > 0) mark('started', from - 1)
  }
  return {
    view,
    problem: readonly(problem),
    here: readonly(here),
    now: readonly(now),
    waiting: computed(() => waiting.value.length),
    again,
    next,
    back,
    go: (index: number) => mark('started', index),
  }
}
