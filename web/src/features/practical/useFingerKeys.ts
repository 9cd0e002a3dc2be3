import { useEventListener, useStorage } from '@vueuse/core'
import { computed, reactive } from 'vue'
import { FINGERS, type Criterion } from '@/parts/criteria'
import { typing } from '@/parts/typed'

/** One key a criterion under the left hand; each can be changed, all can be switched off (WCAG 2.2, 2.1.4). */
export function useFingerKeys(on: {
  finger: (id: Criterion) => void
  key: (key: string, event: KeyboardEvent) => boolean
  /** A key is let go. */
  up?: (key: string) => void
}) {
  const enabled = useStorage('palm-finger-keys', true)
  const own = useStorage<Partial<Record<Criterion, string>>>('palm-finger-map', {})
  const keys = computed(() =>
    FINGERS.map((f) => ({
      ...f,
      key: own.value[f.id] || f.key,
      keyName: own.value[f.id] ? own.value[f.id]!.toUpperCase() : f.keyName,
    })),
  )
  const nameOf = (id: Criterion) => keys.value.find((k) => k.id === id)!.keyName

  /** A dialog is open: one that is only fading out no longer takes the keys. */
  const asked = () =>
    [...document.querySelectorAll('[role="dialog"], dialog[open]')].some((dialog) => {
      const overlay = dialog.closest('.v-overlay')
      return !overlay || overlay.classList.contains('v-overlay--active')
    })

  useEventListener(window, 'keydown', (e: KeyboardEvent) => {
    if (!enabled.value || e.ctrlKey || e.metaKey || e.altKey || typing(e)) return
    if (asked()) return
    const key = e.key.toLowerCase()
    const finger = keys.value.find((f) => f.key === key)
    if (finger) {
      e.preventDefault()
      if (!e.repeat) on.finger(finger.id)
    } else if (!e.repeat && on.key(key, e)) e.preventDefault()
  })
  // A button that has the focus must not take the thumb's key for a click.
  useEventListener(window, 'keyup', (e: KeyboardEvent) => {
    if (!enabled.value || typing(e)) return
    if (e.key === ' ') e.preventDefault()
    on.up?.(e.key.toLowerCase())
  })
  const enable = (on: boolean) => (enabled.value = on)
  const map = (to: Partial<Record<Criterion, string>>) => (own.value = to)
  return reactive({ enabled, enable, own, map, keys, nameOf })
}
export type FingerKeys = ReturnType<typeof useFingerKeys>
