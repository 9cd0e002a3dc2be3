import { useStorage } from '@vueuse/core'
import { onScopeDispose, watch } from 'vue'
import { sounds } from './sound'

const CHIME = [
  { hertz: 660, seconds: 0.5 },
  { hertz: 880, seconds: 0.5 },
  { hertz: 1100, seconds: 0.9 },
]
const APART = 0.28

/** A chime whenever a part of a round gives way to another. Silent until somebody asks for it: browsers want a touch first. */
export function useChime(part: () => number | undefined) {
  const on = useStorage('palm-round-chime', false)
  const { play, close } = sounds()
  const ring = () => CHIME.forEach((tone, i) => play(i * APART, tone))
  watch(part, (now, before) => on.value && now !== undefined && before !== undefined && ring())
  watch(on, (is) => is && ring())
  onScopeDispose(close)
  return { on }
}
