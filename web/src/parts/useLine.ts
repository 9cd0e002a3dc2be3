import { onScopeDispose, readonly, ref } from 'vue'

/** Without a sign of life for this long the line counts as lost; the server gives one every 15 s. */
const SILENCE_MS = 40_000
const AGAIN_MS = 1000

/**
 * A line on which the server tells the whole state after each change. All tabs of a browser share one: the first holds it and passes on
 * what it hears, and when it closes another takes over. It comes back by itself after a lost network or a server that started anew.
 */
export function useLine<State>(path: string, take: (state: State) => void) {
  const lost = ref(false)
  const others = new BroadcastChannel(path)
  const end = new AbortController()
  let source: EventSource | undefined
  let heard = 0
  let retry: ReturnType<typeof setTimeout> | undefined

  others.onmessage = (e: MessageEvent<{ state?: State; lost: boolean }>) => {
    lost.value = e.data.lost
    if (e.data.state !== undefined) take(e.data.state)
  }
  function say(isLost: boolean, state?: State) {
    lost.value = isLost
    others.postMessage({ lost: isLost, state })
  }
  function open() {
    clearTimeout(retry)
    source?.close()
    heard = performance.now()
    source = new EventSource(path)
    source.addEventListener('state', (e: MessageEvent<string>) => {
      heard = performance.now()
      const state = JSON.parse(e.data) as State
      take(state)
      say(false, state)
    })
    source.addEventListener('beat', () => (heard = performance.now()))
    source.onerror = () => {
      say(true)
      // A browser gives up for good where it got an answer that is no stream.
      if (source?.readyState === EventSource.CLOSED) retry = setTimeout(open, AGAIN_MS)
    }
  }
  function hold(): Promise<void> {
    open()
    const watch = setInterval(() => {
      if (performance.now() - heard < SILENCE_MS) return
      say(true)
      open()
    }, 5000)
    const back = () => lost.value && open()
    window.addEventListener('online', back)
    return new Promise((done) =>
      end.signal.addEventListener('abort', () => {
        clearInterval(watch)
        clearTimeout(retry)
        window.removeEventListener('online', back)
        source?.close()
        done()
      }),
    )
  }
  // Without locks, that is on a page that is not secure, each tab has its own line.
  if (navigator.locks)
    navigator.locks.request(path, { signal: end.signal }, hold).catch((e: unknown) => {
      if (!end.signal.aborted) throw e
    })
  else void hold()
  onScopeDispose(() => {
    end.abort()
    others.close()
  })
  return { lost: readonly(lost) }
}
