import { useElementSize, useStorage } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'
import { FINGERS } from '@/parts/criteria'
import { columnsOf, handOf, type Hand, type Point } from './laidHand'

/** A tap of one finger may run over into that of the next; more at a time are a hand that is being laid. */
const AT_ONCE = 2

interface Touch extends Point {
  /** How many were on the screen with it, at most. */
  with: number
}

const lies = (at: Point, width: number, height: number) => at.x <= width && at.y <= height
/** A hand from the browser's own store, if that is what it is. */
function handKept(text: string): Hand | null {
  const hand = JSON.parse(text) as Partial<Hand> | null
  return hand && FINGERS.every((f) => Number.isFinite(hand[f.id]?.x) && Number.isFinite(hand[f.id]?.y))
    ? (hand as Hand)
    : null
}

/** Fingers on a part of the screen: five at once lay the hand, one taps what is under it when it is lifted. */
export function useLay(
  area: Ref<HTMLElement | undefined>,
  on: {
    down: (at: Point, finger: number) => void
    /** Lifted, or lost to the tablet itself. */
    up: (finger: number) => void
    tap: (at: Point) => void
  },
) {
  const { width, height } = useElementSize(area)
  const kept = useStorage<Hand | null>('palm-laid-hand', null, undefined, {
    serializer: { read: handKept, write: (v) => JSON.stringify(v) },
  })
  /** The hand that was laid, while all of it lies on the screen: one that was turned round, or is another, wants it anew. */
  const hand = computed(() =>
    kept.value &&
    (!(width.value > 0) || FINGERS.every((f) => lies(kept.value![f.id], width.value, height.value)))
      ? kept.value
      : undefined,
  )
  const close = ref(false)
  const down = new Map<number, Touch>()

  function press(e: PointerEvent) {
    const box = area.value!.getBoundingClientRect()
    const at = { x: e.clientX - box.left, y: e.clientY - box.top }
    down.set(e.pointerId, { ...at, with: 0 })
    if (down.size <= AT_ONCE) on.down(at, e.pointerId)
    for (const t of down.values()) t.with = Math.max(t.with, down.size)
    if (down.size !== FINGERS.length) return
    const laid = handOf([...down.values()])
    close.value = !laid
    if (laid) kept.value = laid as Hand
  }
  function lost(e: PointerEvent) {
    const touch = down.get(e.pointerId)
    down.delete(e.pointerId)
    if (touch) on.up(e.pointerId)
    return touch
  }
  function lift(e: PointerEvent) {
    const touch = lost(e)
    if (touch && touch.with <= AT_ONCE) on.tap(touch)
  }

  const columns = computed(() => (hand.value ? columnsOf(hand.value, width.value) : []))
  return { hand, columns, height, close, press, lift, lost }
}
