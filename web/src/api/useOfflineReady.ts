import { onScopeDispose, readonly, ref } from 'vue'

/** Whether this device can open the app with the network down: not known yet, ready, or why not. */
export type OfflineReady = 'asking' | 'ready' | 'untrusted' | 'unable'

const SOON_MS = 4000

/**
 * A browser keeps the app for a dead network only where it trusts the certificate by itself: one that somebody clicked through is no
 * trust, and it refuses to say so anywhere but here.
 *
 * @param workers what the browser offers; nothing on a page that is not secure, or in a browser that has none
 */
export function useOfflineReady(
  workers: Pick<ServiceWorkerContainer, 'getRegistration' | 'register'> | undefined = globalThis.navigator
    ?.serviceWorker,
) {
  const state = ref<OfflineReady>('asking')
  let gone = false
  async function look() {
    if (!workers) state.value = 'unable'
    else if (await workers.getRegistration().catch(() => undefined)) state.value = 'ready'
    else
      try {
        await workers.register('/sw.js')
        state.value = 'ready'
      } catch (e) {
        // A certificate that is not trusted is a SecurityError; a server that is away for the moment is a TypeError.
        state.value = (e as Error).name === 'SecurityError' ? 'untrusted' : 'asking'
        if (state.value === 'asking' && !gone) timer = setTimeout(() => void look(), SOON_MS)
      }
  }
  let timer: ReturnType<typeof setTimeout> = setTimeout(() => void look(), 0)
  onScopeDispose(() => {
    gone = true
    clearTimeout(timer)
  })
  return readonly(state)
}
