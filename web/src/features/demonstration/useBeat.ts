import { useStorage } from '@vueuse/core'
import { onScopeDispose, watch } from 'vue'

/** How far ahead a click is handed to the audio clock, seconds: longer than two ticks of a busy page. */
const AHEAD = 0.3
const CLICK = { hertz: 880, seconds: 0.04 }
const OVER = { hertz: 440, seconds: 0.35 }

/** What is counted now: seconds the hands have worked, undefined while nothing is counted, and the beat. */
export interface Beating {
  worked?: number
  /** Seconds a beat takes. */
  every: number
  /** Seconds after which it is over. */
  lasts: number
}

/**
 * Counting to be heard: a click at every station, breath, pass or cycle, and a lower tone when the time is over. Silent until somebody
 * asks for it. Clicks keep to the audio clock, which a busy page does not shake.
 */
export function useBeat(of: () => Beating | undefined) {
  const sound = useStorage('palm-show-sound', false)
  let context: AudioContext | undefined
  /** The last beat that was handed over. */
  let given = -1

  function play(inSeconds: number, tone: typeof CLICK) {
    context ??= new AudioContext()
    void context.resume()
    const at = context.currentTime + Math.max(0, inSeconds)
    const source = context.createOscillator()
    const loud = context.createGain()
    source.frequency.value = tone.hertz
    loud.gain.setValueAtTime(0.25, at)
    loud.gain.exponentialRampToValueAtTime(0.001, at + tone.seconds)
    source.connect(loud).connect(context.destination)
    source.start(at)
    source.stop(at + tone.seconds)
  }
  watch(
    () => (sound.value ? of() : undefined),
    (now, before) => {
      if (!now || now.worked === undefined || now.every <= 0) {
        given = -1
        return
      }
      if (before?.worked === undefined || now.worked < before.worked)
        given = Math.floor(now.worked / now.every)
      const last = Math.round(now.lasts / now.every)
      for (let next = given + 1; next <= last && next * now.every <= now.worked + AHEAD; next++) {
        // A page that slept skips what is past.
        if (next * now.every >= now.worked - AHEAD)
          play(next * now.every - now.worked, next === last ? OVER : CLICK)
        given = next
      }
    },
  )
  onScopeDispose(() => void context?.close())
  return { sound }
}
