import { onKeyStroke } from '@vueuse/core'

/** Keys of one who presents. A button or a link that has the focus keeps Enter, and a button the space bar, for itself. */
export function onKeys(keys: string | string[], run: () => void) {
  onKeyStroke(keys, (e) => {
    if (e.ctrlKey || e.metaKey || e.altKey || e.repeat) return
    const on = e.target instanceof Element ? e.target : undefined
    if (e.key === 'Enter' && on?.closest('a, button')) return
    if (e.key === ' ' && on?.closest('button')) return
    e.preventDefault()
    run()
  })
}
