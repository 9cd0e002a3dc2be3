import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'

export interface Spot {
  id: string
  where: 'before' | 'after'
}

/**
 * Dragging with mouse, pen or finger: from a handle to a spot that the page finds under the pointer. Nothing moves before the
 * pointer has gone a few pixels, so that a touch stays a touch; Escape drops the drag.
 */
export function useDrag(
  find: (x: number, y: number) => Spot | undefined,
  drop: (id: string, spot: Spot) => void,
) {
  const dragged = ref<string>()
  const spot = ref<Spot>()
  let held: { id: string; x: number; y: number } | undefined

  function grab(id: string, e: PointerEvent) {
    if (e.button !== 0) return
    held = { id, x: e.clientX, y: e.clientY }
  }
  useEventListener(window, 'pointermove', (e: PointerEvent) => {
    if (!held) return
    if (!dragged.value && Math.hypot(e.clientX - held.x, e.clientY - held.y) < 6) return
    e.preventDefault()
    dragged.value = held.id
    const found = find(e.clientX, e.clientY)
    spot.value = found && found.id !== held.id ? found : undefined
  })
  const end = () => {
    held = undefined
    dragged.value = undefined
    spot.value = undefined
  }
  useEventListener(window, 'pointerup', () => {
    if (dragged.value && spot.value) drop(dragged.value, spot.value)
    // The click that follows a drag finds it over only after this.
    setTimeout(end)
  })
  useEventListener(window, 'pointercancel', end)
  useEventListener(window, 'keydown', (e: KeyboardEvent) => {
    if (e.key === 'Escape' && held) end()
  })
  return { dragged, spot, grab }
}
