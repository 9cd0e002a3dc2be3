import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick, ref } from 'vue'
import { useLay } from './useLay'

const LEFT = [
  [60, 230],
  [170, 140],
  [290, 110],
  [410, 150],
  [540, 320],
] as const

function screen() {
  const heard: string[] = []
  let lay!: ReturnType<typeof useLay>
  const page = mount(
    defineComponent(() => {
      const area = ref<HTMLElement>()
      lay = useLay(area, {
        down: (at, id) => void heard.push(`down ${at.x} ${id}`),
        up: (id) => void heard.push(`up ${id}`),
        tap: (at) => void heard.push(`tap ${at.x}`),
      })
      return () =>
        h('div', { ref: area, onPointerdown: lay.press, onPointerup: lay.lift, onPointercancel: lay.lost })
    }),
    { attachTo: document.body },
  )
  const send = (type: string, pointerId: number, at: readonly [number, number]) => {
    page.element.dispatchEvent(
      new PointerEvent(type, { pointerId, clientX: at[0], clientY: at[1], bubbles: true, cancelable: true }),
    )
  }
  return { heard, lay, send }
}

describe('fingers on the screen', () => {
  beforeEach(() => localStorage.clear())

  it('lay a hand when five are down at once, and none of them taps', async () => {
    const { heard, lay, send } = screen()
    LEFT.forEach((at, i) => send('pointerdown', i, at))
    LEFT.forEach((at, i) => send('pointerup', i, at))
    await nextTick()
    expect(lay.hand.value?.pressure).toMatchObject({ x: 540, y: 320 })
    expect(heard.filter((x) => x.startsWith('tap'))).toEqual([])
    expect(JSON.parse(localStorage.getItem('palm-laid-hand')!)).toMatchObject({ draping: { x: 60 } })
  })
  it('are told when they were too close, and the hand that was there stays', () => {
    const { lay, send } = screen()
    LEFT.forEach((at, i) => send('pointerdown', i, at))
    LEFT.forEach((at, i) => send('pointerup', i, at))
    LEFT.forEach((_, i) => send('pointerdown', 9 + i, [100 + 20 * i, 100]))
    expect(lay.close.value).toBe(true)
    expect(lay.hand.value?.pressure).toMatchObject({ x: 540 })
  })
  it('are not taken for a hand where the store holds something else', () => {
    localStorage.setItem('palm-laid-hand', '{"pressure":{"x":1}}')
    expect(screen().lay.hand.value).toBeUndefined()
  })
  it('tap where they came down, one running over into the next', () => {
    const { heard, send } = screen()
    send('pointerdown', 1, [5, 5])
    send('pointerdown', 2, [6, 6])
    send('pointerup', 1, [15, 5])
    send('pointerup', 2, [6, 6])
    expect(heard).toEqual(['down 5 1', 'down 6 2', 'up 1', 'tap 5', 'up 2', 'tap 6'])
  })
  it('tap nothing when three are down, nor when the tablet took the touch for itself', () => {
    const { heard, send } = screen()
    for (const id of [1, 2, 3]) send('pointerdown', id, [5, 5])
    for (const id of [1, 2, 3]) send('pointerup', id, [5, 5])
    send('pointerdown', 4, [5, 5])
    send('pointercancel', 4, [5, 5])
    expect(heard.filter((x) => x.startsWith('tap'))).toEqual([])
    // What is held as long as it is pressed is let go all the same.
    expect(heard.at(-1)).toBe('up 4')
  })
})
