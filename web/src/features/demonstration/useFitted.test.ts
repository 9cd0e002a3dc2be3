import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { defineComponent, nextTick, ref, useTemplateRef } from 'vue'
import { LETTERS, TURNS_MS, useFitted } from './useFitted'

/** Letters that stand in the box at a height of one pixel; twice as high, a quarter of them do. */
const ROOM = 100_000
const said = ref('')
let at: ReturnType<typeof useFitted>

const Box = defineComponent({
  setup() {
    at = useFitted(useTemplateRef<HTMLElement>('box'), () => said.value)
    return {}
  },
  template: '<dl ref="box"></dl>',
})
/** A box 900 wide whose text runs on to the right in columns. */
function measured(key: 'clientWidth' | 'scrollWidth', of: (size: number) => number) {
  Object.defineProperty(HTMLElement.prototype, key, {
    configurable: true,
    get(this: HTMLElement) {
      return of(parseFloat(this.style.getPropertyValue('--letters') || '30'))
    },
  })
}
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      disconnect() {}
    },
  )
  measured('clientWidth', () => 900)
  measured('scrollWidth', (size) => 900 * Math.ceil((said.value.length * size * size) / ROOM))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
  for (const key of ['clientWidth', 'scrollWidth'] as const)
    Reflect.deleteProperty(HTMLElement.prototype, key)
})
async function shown(letters: number) {
  said.value = 'x'.repeat(letters)
  await nextTick()
  await nextTick()
}

it('takes the largest letters at which all of it is in sight', async () => {
  mount(Box)
  await shown(70)
  expect([at.letters.value, at.pages.value]).toEqual([36, 1])
  // 30: 117,000, 28: 101,920, 26: 87,880 of 100,000.
  await shown(130)
  expect([at.letters.value, at.pages.value]).toEqual([26, 1])
})

it('turns to what stands a column beyond the last whole page', async () => {
  mount(Box)
  // Two columns of 372 with 28 between, and a third one: 1.4987 pages. No less than 2 show it.
  measured('clientWidth', () => 748)
  measured('scrollWidth', () => 1135)
  vi.spyOn(window, 'getComputedStyle').mockReturnValue({ columnGap: '28px' } as CSSStyleDeclaration)
  await shown(10)
  expect(at.pages.value).toBe(2)
  vi.restoreAllMocks()
})

it('turns what even the smallest letters cannot hold, page by page, and begins anew with the next', async () => {
  mount(Box)
  await shown(500)
  // 22 × 22 × 500 are 2.42 of the room.
  expect([at.letters.value, at.pages.value, at.page.value]).toEqual([LETTERS.at(-1), 3, 0])
  const pages = [0, 1, 2, 3].map(() => {
    vi.advanceTimersByTime(TURNS_MS)
    return at.page.value
  })
  expect(pages).toEqual([1, 2, 0, 1])
  await shown(501)
  expect(at.page.value).toBe(0)
  vi.advanceTimersByTime(TURNS_MS - 1)
  expect(at.page.value).toBe(0)
})
