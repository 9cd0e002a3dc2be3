import { onScopeDispose, watch, type Ref } from 'vue'
import type { Problem } from './client'

const FIRST_MS = 2000
const LAST_MS = 10_000

/** Whether nobody answered, or somebody who cannot for the moment: the same may go through later. Anything else stays as it is. */
export const passing = (problem: Problem | undefined) =>
  !!problem && (problem.status === 0 || [502, 503, 504].includes(problem.status))

/**
 * Tries again by itself what nobody answered: after two seconds, then later each time, every ten seconds at last, until something
 * else comes of it or the page is left.
 *
 * @param problem what came of the last try
 * @param again makes another; its outcome is in `problem`
 */
export function useAgain(problem: Readonly<Ref<Problem | undefined>>, again: () => unknown) {
  let wait = FIRST_MS
  let timer: ReturnType<typeof setTimeout> | undefined
  const stop = () => clearTimeout(timer)
  watch(
    problem,
    (p) => {
      stop()
      if (!p) wait = FIRST_MS
      else if (passing(p)) {
        timer = setTimeout(() => void again(), wait)
        wait = Math.min(LAST_MS, wait * 2)
      }
    },
    { flush: 'sync' },
  )
  onScopeDispose(stop)
}
