import { useStorage } from '@vueuse/core'
import { onScopeDispose, watch } from 'vue'
import { say, sounds } from './sound'

/** How far ahead a click is handed to the audio clock, seconds: longer than two ticks of a busy page. */
const AHEAD = 0.3
const CLICK = { hertz: 880, seconds: 0.04 }
const OVER = { hertz: 440, seconds: 0.35 }
/** A number takes about this long to say, seconds: faster beats are clicked, and only their tens said. */
const SAYABLE = 1.2

/** How a beat is heard: not at all, as clicks, or counted by a voice of this computer. */
export type Counting = 'silent' | 'clicks' | 'voice'

/** What is counted now: seconds the hands have worked, undefined while nothing is counted, and the beat. */
export interface Beating {
  worked?: number
  /** Seconds a beat takes. */
  every: number
  /** Seconds after which it is over. */
  lasts: number
}

/**
 * Counting to be heard: a click or the number at every station, breath, pass or cycle, and a lower tone when the time is over. Silent
 * until somebody asks for it.
 */
export function useBeat(of: () => Beating | undefined) {
  const counting = useStorage<Counting>('palm-show-counting', 'silent')
  const { play, close } = sounds()
  /** The last beat that was handed over. */
  let given = -1

  function beat(next: number, last: number, every: number, inSeconds: number) {
    if (next === last) return play(inSeconds, OVER)
    const said = counting.value === 'voice' && (every >= SAYABLE || next % 10 === 0)
    if (!said) return play(inSeconds, CLICK)
    setTimeout(() => say(String(next)) || play(0, CLICK), Math.max(0, inSeconds) * 1000)
  }
  watch(
    () => (counting.value === 'silent' ? undefined : of()),
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
        if (next * now.every >= now.worked - AHEAD) beat(next, last, now.every, next * now.every - now.worked)
        given = next
      }
    },
  )
  onScopeDispose(close)
  /** The next way of counting. */
  const turn = () =>
    (counting.value =
      counting.value === 'silent' ? 'clicks' : counting.value === 'clicks' ? 'voice' : 'silent')
  return { counting, turn }
}
