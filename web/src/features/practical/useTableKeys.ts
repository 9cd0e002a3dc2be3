import type { Ref } from 'vue'
import type { Criterion } from '@/parts/criteria'
import type { Capture } from './useCapture'
import { useFingerKeys } from './useFingerKeys'
import type { Progress } from './useProgress'

/**
 * The keys of a table: five open the fingers, digits are what the client says, with Shift the depth seen, letters what the opened finger
 * writes down.
 *
 * @param opened the finger that is open
 * @param go what else a key does
 */
export function useTableKeys(
  progress: Progress,
  capture: Capture,
  opened: Ref<Criterion | undefined>,
  go: {
    undo: () => void
    safety: () => void
    floor: () => void
    beside: (by: 1 | -1) => void
    help: () => void
    neverMind: () => void
  },
) {
  /** What a key of the right hand picks within the opened finger. */
  const pickOf = (key: string) => opened.value && progress.pickAt(opened.value, key)
  return useFingerKeys({
    finger: (id) => (opened.value = id),
    key(key, event) {
      const digit = event.shiftKey ? /^Digit([0-5])$/.exec(event.code) : undefined
      if (digit) capture.depth(Number(digit[1]))
      else if (/^[0-9]$/.test(key)) capture.report(Number(key))
      else if (key === 't') capture.report(10)
      else if (key === 'u') go.undo()
      else if (key === 'x') go.safety()
      else if (key === 'b') capture.rest()
      else if (key === 'enter' && !document.activeElement?.closest('a, button'))
        capture.start(progress.chosen)
      else if (key === 'arrowdown' || key === 'arrowright') progress.choose(progress.chosen + 1)
      else if (key === 'arrowup' || key === 'arrowleft') progress.choose(progress.chosen - 1)
      else if (key === '?') go.help()
      else if (key === 'g') go.floor()
      else if (key === '[' || key === ']') go.beside(key === ']' ? 1 : -1)
      else if (key === 'escape') go.neverMind()
      else {
        const p = pickOf(key)
        if (!p) return false
        if (p.id === 'hold') capture.down()
        else capture.pick(p)
      }
      return true
    },
    up(key) {
      if (pickOf(key)?.id === 'hold') capture.up()
    },
  })
}
