import { useIntervalFn, useStorage } from '@vueuse/core'
import { computed, readonly, ref } from 'vue'
import { api, type Schema } from '@/api/client'

type Said = Schema['Said']
/** Something said, with the moment it was touched on this phone's wall clock. */
type Kept = Said & { wall: number }

const AGAIN_MS = 1500
/** How often it is asked whether the practical goes on. */
const ON_MS = 5000

/** The client's side of a practical: what is touched is kept on the phone until the server has it. */
export function useHandset(code: string) {
  const kept = useStorage<Kept[]>(`palm-handset/${code}`, [])
  const seq = useStorage(`palm-handset-seq/${code}`, 0)
  /** Undefined until it is known. */
  const on = ref<boolean>()
  const lost = ref(false)
  const last = ref('')
  let sending = false

  async function look() {
    try {
      const { response } = await api.GET('/api/handsets/{code}', { params: { path: { code } } })
      lost.value = false
      if (response.ok || response.status === 404) on.value = response.ok
      if (response.status === 404) kept.value = []
    } catch {
      lost.value = true
    }
  }
  async function flush() {
    if (sending) return
    sending = true
    try {
      while (kept.value[0]) {
        const { wall, ...said } = kept.value[0]
        const { response } = await api.POST('/api/handsets/{code}/reports', {
          params: { path: { code } },
          body: { ...said, agoMs: Math.max(0, Date.now() - wall) },
        })
        lost.value = false
        if (response.status === 404) on.value = false
        if (response.status >= 500 || response.status === 429) break
        kept.value = kept.value.slice(1)
      }
    } catch {
      lost.value = true
    } finally {
      sending = false
    }
  }
  function say(what: { number?: number; word?: Said['word'] }, words: string) {
    seq.value++
    kept.value = [...kept.value, { id: crypto.randomUUID(), seq: seq.value, wall: Date.now(), ...what }]
    last.value = words
    navigator.vibrate?.(30)
    return flush()
  }
  useIntervalFn(() => void (kept.value.length ? flush() : undefined), AGAIN_MS)
  useIntervalFn(() => on.value !== false && void look(), ON_MS)
  void look()
  return {
    on: readonly(on),
    lost: readonly(lost),
    /** What was said last, in words. */
    last: readonly(last),
    waiting: computed(() => kept.value.length),
    say,
  }
}
