import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { PICKS } from './fingers'
import LaidHand from './LaidHand.vue'
import type { Capture } from './useCapture'
import type { Progress } from './useProgress'

const size = vi.hoisted(() => ({ width: 600, height: 480 }))
vi.mock('@vueuse/core', async (whole) => {
  const { ref } = await import('vue')
  return {
    ...(await whole<object>()),
    useElementSize: () => ({ width: ref(size.width), height: ref(size.height) }),
  }
})
const HAND = {
  draping: { x: 60, y: 230 },
  communication: { x: 170, y: 200 },
  mechanics: { x: 290, y: 190 },
  order: { x: 410, y: 200 },
  pressure: { x: 540, y: 320 },
}

function hand() {
  const capture = { pick: vi.fn(), down: vi.fn(), up: vi.fn(), holding: false }
  const progress = {
    picks: PICKS,
    count: () => 0,
    cues: Object.fromEntries(Object.keys(PICKS).map((f) => [f, { text: '', hot: false }])),
    tiles: [],
    chosen: 0,
  }
  const page = mount(LaidHand, {
    props: { capture: capture as unknown as Capture, progress: progress as unknown as Progress },
    attachTo: document.body,
  })
  const send = (type: string, pointerId: number, at: { x: number; y: number }) =>
    page.element.dispatchEvent(
      new PointerEvent(type, { pointerId, clientX: at.x, clientY: at.y, bubbles: true }),
    )
  const tap = (at: { x: number; y: number }) => {
    send('pointerdown', 1, at)
    send('pointerup', 1, at)
  }
  return { capture, page, send, tap, picked: () => capture.pick.mock.calls.map(([p]) => p.id) }
}

describe('a laid hand', () => {
  beforeEach(() => localStorage.setItem('palm-laid-hand', JSON.stringify(HAND)))

  it('takes two taps: which finger, and what it has', () => {
    const { tap, picked } = hand()
    tap(HAND.mechanics)
    expect(picked()).toEqual([])
    tap({ x: HAND.order.x + 40, y: HAND.order.y })
    expect(picked()).toEqual(['look-bent-elbows'])
  })
  it('means the same when one finger runs over into the next', () => {
    const { send, tap, picked } = hand()
    send('pointerdown', 1, HAND.mechanics)
    send('pointerdown', 2, HAND.pressure)
    send('pointerup', 1, HAND.mechanics)
    send('pointerup', 2, HAND.pressure)
    expect(picked()).toEqual(['look-clean'])
    // And begins anew after it.
    tap(HAND.draping)
    tap(HAND.pressure)
    expect(picked()).toEqual(['look-clean', 'sheet-clean'])
  })
  it('goes back, and writes nothing, where a finger has nothing', () => {
    const { tap, picked } = hand()
    tap(HAND.order)
    tap({ x: HAND.draping.x, y: 470 })
    tap(HAND.order)
    tap(HAND.pressure)
    expect(picked()).toEqual(['next'])
  })
  it('holds as long as the finger is down', () => {
    const { send, tap, capture } = hand()
    tap(HAND.pressure)
    const hold = HAND.draping
    send('pointerdown', 7, hold)
    expect(capture.down).toHaveBeenCalledOnce()
    expect(capture.up).not.toHaveBeenCalled()
    send('pointerup', 7, hold)
    expect(capture.up).toHaveBeenCalledOnce()
  })
  it('wants to be laid anew where the screen is another', () => {
    localStorage.setItem('palm-laid-hand', JSON.stringify({ ...HAND, pressure: { x: 900, y: 100 } }))
    expect(hand().page.text()).toContain('Lay five fingers')
  })
})
