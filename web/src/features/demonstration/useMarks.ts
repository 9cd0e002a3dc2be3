import { useIntervalFn } from '@vueuse/core'
import { computed, readonly, ref } from 'vue'
import type { Problem } from '@/api/client'

/** How often a clock is read: what it shows is never further off than this. */
export const TICK_MS = 50
/** How often what waits is sent again, or the server asked how it stands. */
const AGAIN_MS = 3000

interface Kept {
  id?: string
  atSeconds?: number
}

/**
 * Marks on a clock of this device. The clock reads time and never counts ticks, so a frozen page is right again at once; marks that the
 * server has not answered yet are kept and sent again, in their order.
 */
export function useMarks<Mark extends Kept, Answer>(of: {
  send: (mark: Mark) => Promise<Answer>
  /** An answer is there; marks that came meanwhile may still wait. */
  take: (answer: Answer) => void
  /** Nothing waits: time to ask how it stands. */
  idle: () => Promise<unknown>
  /** Everything is stored; not while sending, so that the next mark does not wait for it. */
  stored?: () => Promise<unknown>
}) {
  const problem = ref<Problem>()
  const waiting = ref<Kept[]>([])
  const now = ref(0)
  let base = 0
  let read = 0
  let sending = false
  /** How many marks were made: an answer to a question asked before the last is out of date. */
  let made = 0

  const clock = () => base + (performance.now() - read) / 1000
  /** Sets the clock by the server's, once. */
  function set(elapsedSeconds: number) {
    base = elapsedSeconds
    read = performance.now()
    now.value = clock()
  }
  async function flush() {
    if (sending) return
    sending = true
    try {
      while (waiting.value[0]) {
        const answer = await of.send(waiting.value[0] as Mark)
        waiting.value = waiting.value.slice(1)
        of.take(answer)
      }
      problem.value = undefined
    } catch (e) {
      const p = e as Problem
      // What the server refuses will be refused again; what it never saw is kept.
      if (p.status >= 400 && p.status < 500 && p.status !== 401) waiting.value = waiting.value.slice(1)
      problem.value = p
      return
    } finally {
      sending = false
    }
    await of.stored?.().catch(() => undefined)
  }
  /** Makes a mark now and sends it when the server answers. @returns its time on the clock */
  function mark(what: Omit<Mark, keyof Kept>): number {
    made++
    const atSeconds = Math.round(clock() * 1000) / 1000
    waiting.value = [...waiting.value, { id: crypto.randomUUID(), atSeconds, ...what }]
    void flush()
    return atSeconds
  }
  useIntervalFn(() => (now.value = clock()), TICK_MS)
  useIntervalFn(() => void (waiting.value.length ? flush() : of.idle()), AGAIN_MS)
  return {
    problem,
    /** Marks that are not stored yet. */
    waiting: computed(() => waiting.value as Mark[]),
    now: readonly(now),
    clock,
    set,
    mark,
    made: () => made,
  }
}
