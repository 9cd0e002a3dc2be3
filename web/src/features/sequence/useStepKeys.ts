import { onKeyStroke } from '@vueuse/core'
import { typing } from '@/parts/typed'
import type { usePicked } from './usePicked'
import type { useStepActs } from './useStepActs'

/** What the keys do, in the words that the page shows. */
export const STEP_KEYS =
  '↑ ↓ pick · Shift picks several · Alt ↑ ↓ move · Ctrl D duplicate · M mirror · X split · J join · ' +
  'Delete take out · / add · Ctrl Z undo · Ctrl Shift Z redo · Ctrl S save'

/**
 * The keys of the editor. Letters work where the steps are, and where nothing has the focus: its row may just have gone.
 *
 * @param go brings the field for new steps, or the list of keys
 */
export function useStepKeys(
  picked: ReturnType<typeof usePicked>,
  acts: ReturnType<typeof useStepActs>,
  go: { add: () => void; keys: () => void },
) {
  onKeyStroke((e) => {
    const ctrl = e.ctrlKey || e.metaKey
    const key = e.key.length === 1 ? e.key.toLowerCase() : e.key
    const run = (f: () => void) => {
      e.preventDefault()
      f()
    }
    if (typing(e)) return
    if (ctrl && key === 'd') return run(acts.copy)
    const { step, steps, number } = picked
    if (ctrl || !step.value) return
    const inStrip = e.target instanceof SVGElement
    if (!inStrip && e.target !== document.body && !(e.target as HTMLElement).closest?.('.rows')) return
    if (key === 'ArrowDown' || key === 'ArrowUp') {
      const by = key === 'ArrowDown' ? 1 : -1
      if (e.altKey) return run(() => acts.move(by))
      const next = steps.value[number(step.value.id) - 1 + by]
      if (next) run(() => (e.shiftKey ? picked.addNext(next.id) : picked.pick(next.id)))
    } else if (inStrip && e.altKey && (key === 'ArrowLeft' || key === 'ArrowRight'))
      run(() => acts.move(key === 'ArrowRight' ? 1 : -1))
    else if (e.altKey) return
    else if (key === 'm') run(acts.flip)
    else if (key === 'x') run(acts.halve)
    else if (key === 'j') run(acts.merge)
    else if (key === 'Delete') run(acts.drop)
    else if (key === '/') run(go.add)
    else if (key === '?') run(go.keys)
  })
}
