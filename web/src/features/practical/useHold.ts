import { ref } from 'vue'

/** Let go later than this, a press was the hold itself; sooner, it was a tap that begins or ends one. */
export const PRESS_MS = 400

/** A hold is timed as it is felt: pressed as long as it lasts, or tapped at its beginning and its end. */
export function useHold(now: () => number, write: (on: boolean) => void) {
  const holding = ref(false)
  let since = 0
  let pressed = false
  let begun = false

  function down() {
    if (pressed) return
    pressed = true
    begun = !holding.value
    if (!begun) return
    since = now()
    holding.value = true
    write(true)
  }
  function up() {
    if (!pressed) return
    pressed = false
    // The tap that began it leaves it running; any other letting go ends it.
    if (begun && now() - since < PRESS_MS) return
    holding.value = false
    write(false)
  }
  return { holding, down, up }
}
