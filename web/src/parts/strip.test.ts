import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { boxes, dots, spaced, type StripModel, nearest } from './strip'

vi.mock('@vueuse/core', async (original) => ({
  ...(await original<object>()),
  useElementSize: () => ({ width: ref(1148) }),
}))
const { default: Strip } = await import('./Strip.vue')

describe('the outline of boxes', () => {
  it('is one closed figure a box', () => {
    expect(boxes([{ x: 1, y: 2, w: 30, h: 40 }])).toBe('M1 2h30v40h-30z')
    expect(boxes([])).toBe('')
    expect(boxes(Array.from({ length: 3 }, (_, i) => ({ x: i, y: 0, w: 1, h: 1 }))).match(/z/g)).toHaveLength(
      3,
    )
  })
  it('is never rounder than the box is small', () => {
    expect(boxes([{ x: 0, y: 0, w: 20, h: 10 }], 4)).toContain('a4 4')
    expect(boxes([{ x: 0, y: 0, w: 4, h: 10 }], 4)).toContain('a2 2')
    expect(boxes([{ x: 0, y: 0, w: 0.4, h: 10 }], 4)).toBe('M0 0h0.4v10h-0.4z')
  })
  it('ends where it began, rounded or not', () => {
    for (const radius of [0, 4]) {
      let x = 0
      let y = 0
      const path = boxes([{ x: 0, y: 0, w: 33.3, h: 17.7 }], radius)
      const [start, ...rest] = path.match(/[Mhvaz][^Mhvaz]*/g)!
      const numbers = (s: string) => s.slice(1).split(' ').map(Number)
      for (const part of rest) {
        const n = numbers(part)
        if (part.startsWith('h')) x += n[0]!
        if (part.startsWith('v')) y += n[0]!
        if (part.startsWith('a')) {
          x += n[5]!
          y += n[6]!
        }
      }
      expect(start!.startsWith('M')).toBe(true)
      // Without a radius the closing stroke draws the last side; with one the last arc comes home by itself.
      expect(x).toBeCloseTo(0, 6)
      expect(y).toBeCloseTo(radius === 0 ? 17.7 : 0, 6)
    }
  })
  it('of dots is a circle each', () => {
    expect(dots([10], 5, 2)).toBe('M8 5a2 2 0 1 0 4 0a2 2 0 1 0 -4 0z')
    expect(dots([1, 2, 3], 5, 2).match(/z/g)).toHaveLength(3)
  })
})

describe('words on the strip', () => {
  it('are shown where there is room up to the next, and the last up to the end', () => {
    const said = spaced(
      [
        { at: 50, word: 'ask' },
        { at: 0, word: 'ask' },
        { at: 2, word: 'warn' },
      ],
      100,
      1000,
    )
    expect(said.map((s) => [s.at, s.shown])).toEqual([
      [0, false],
      [2, true],
      [50, true],
    ])
  })
})

const block = (i: number, width: number, more: Partial<StripModel['blocks'][number]> = {}) => ({
  key: `s${i}/left`,
  label: String(i + 1),
  title: `Step ${i + 1}`,
  start: i * width,
  end: (i + 1) * width,
  depth: 2,
  pointed: false,
  flagged: false,
  open: false,
  through: false,
  ...more,
})
const strip = (blocks: StripModel['blocks'], total: number) =>
  mount(Strip, { props: { model: { total, blocks, says: [{ at: 5, word: 'ask' }] } } })

describe('the strip', () => {
  it('draws blocks of one shade as one shape, however many there are', () => {
    const few = strip([block(0, 100), block(1, 100)], 200)
    const many = strip(
      Array.from({ length: 400 }, (_, i) => block(i, 1)),
      400,
    )
    const shapes = (w: typeof few) => w.findAll('path[fill-opacity]').filter((p) => p.attributes('d')).length
    expect(shapes(many)).toBe(shapes(few))
    expect(many.html().length).toBeLessThan(60_000)
  })
  it('numbers the blocks that have room for it', () => {
    expect(
      strip([block(0, 100), block(1, 100)], 200)
        .findAll('.digit')
        .map((t) => t.text()),
    ).toEqual(['1', '2'])
    expect(
      strip(
        Array.from({ length: 400 }, (_, i) => block(i, 1)),
        400,
      ).findAll('.digit'),
    ).toHaveLength(0)
  })
  it('outlines what has findings, and only that', () => {
    const flags = (blocks: StripModel['blocks']) =>
      strip(blocks, 200).find('path[stroke="var(--stop)"]').attributes('d') ?? ''
    expect(flags([block(0, 100), block(1, 100)])).toBe('')
    expect(flags([block(0, 100), block(1, 100, { flagged: true })]).match(/z/g)).toHaveLength(1)
  })
  it('says what the pointer is over', async () => {
    const w = strip([block(0, 100), block(1, 100)], 200)
    const order = w.findAll('text.name').find((t) => t.text() === 'Order')!
    const y = Number(order.attributes('y'))
    // 136 px of names, then 1000 px of time: 700 px in is second 113.
    await w.find('svg').trigger('pointermove', { clientX: 700, clientY: y })
    expect(w.find('svg > title').text()).toBe('2 Step 2, 1:40–3:20')
    expect(w.emitted('hover')!.at(-1)![0]).toBeCloseTo(112.8, 1)
    const talk = w.findAll('text.name').find((t) => t.text() === 'Communication')!
    await w.find('svg').trigger('pointermove', { clientX: 163, clientY: Number(talk.attributes('y')) })
    expect(w.find('svg > title').text()).toBe('ask at 0:05')
    await w.find('svg').trigger('pointerleave')
    expect(w.find('svg > title').exists()).toBe(false)
    expect(w.emitted('hover')!.at(-1)![0]).toBeUndefined()
  })
})

describe('what lies nearest', () => {
  const blocks = [
    { key: 'a', start: 0, end: 10 },
    { key: 'b', start: 20, end: 30 },
  ]
  it('is what the second is in, else what is least far away', () => {
    expect([5, 12, 18, 99].map((s) => nearest(blocks, s)?.key)).toEqual(['a', 'a', 'b', 'b'])
    expect(nearest([{ at: 3 }, { at: 8 }], 6)).toEqual({ at: 8 })
    expect(nearest([], 6)).toBeUndefined()
  })
})
