import { onMounted, watch } from 'vue'
import { useSession } from '@/features/session/useSession'
import { startPageCore } from './pageCore'

const SOON_MS = 300

/** Has the core loaded once the page that wants it stands and the browser has nothing better to do. */
export function usePageCore() {
  if (typeof Worker === 'undefined') return
  onMounted(() => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(() => void startPageCore(), SOON_MS)
    else requestIdleCallback(() => void startPageCore(), { timeout: 2000 })
  })
  // Another word of the school: what is asked from this moment on is the server's to answer until the core knows it too.
  const session = useSession()
  watch(
    () => session.catalogue,
    (_, before) => before && void startPageCore(),
    { flush: 'sync' },
  )
}
