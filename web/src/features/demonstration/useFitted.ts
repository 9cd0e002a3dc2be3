import { useIntervalFn, useResizeObserver } from '@vueuse/core'
import { nextTick, ref, watch, type Ref } from 'vue'

/** Heights of letters to be tried, in pixels: the last is the smallest that is read from eight metres. */
export const LETTERS = [36, 33, 30, 28, 26, 24, 22]
/** A page of what does not fit even so stands this long, in milliseconds. */
export const TURNS_MS = 12_000

/**
 * The largest letters at which all of a text in columns is in its box. Where even the smallest run over, it becomes pages of
 * columns side by side that turn by themselves.
 *
 * @param box what holds the columns, its letters as high as `--letters` says
 * @param said what stands in it
 */
export function useFitted(box: Ref<HTMLElement | null>, said: () => string) {
  const letters = ref(LETTERS[0]!)
  const pages = ref(1)
  const page = ref(0)
  function fit() {
    const el = box.value
    if (!el || !el.clientWidth) return
    for (const size of LETTERS) {
      letters.value = size
      el.style.setProperty('--letters', `${size}px`)
      if (el.scrollWidth <= el.clientWidth + 1 && el.scrollHeight <= el.clientHeight + 1) break
    }
    const gap = parseFloat(getComputedStyle(el).columnGap) || 0
    pages.value = Math.max(1, Math.ceil((el.scrollWidth + gap) / (el.clientWidth + gap) - 0.02))
    page.value = Math.min(page.value, pages.value - 1)
  }
  const again = useIntervalFn(() => (page.value = (page.value + 1) % pages.value), TURNS_MS)
  watch(
    said,
    () => {
      page.value = 0
      again.resume()
      void nextTick(fit)
    },
    { immediate: true },
  )
  useResizeObserver(box, fit)
  void document.fonts?.ready.then(fit)
  return { letters, pages, page }
}
