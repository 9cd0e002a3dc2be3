import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import type { Schema } from '@/api/client'
import { breath, placed, type Picture } from './picture'
import StepPicture from './StepPicture.vue'
import TablePicture from './TablePicture.vue'
import { useStepPicture } from './useStepPicture'

const line = Array.from({ length: 13 }, (_, i) => ({ x: 100, y: 1000 - 25 * i }))
const motion = (kind: Schema['Motion']['kind'], more: Partial<Schema['Motion']> = {}): Schema['Motion'] => ({
  kind,
  lines: [line],
  stations: [],
  seconds: 10,
  perSecond: 2,
  opposed: false,
  breathes: false,
  ...more,
})
const hand = (more: Partial<Schema['Hand']> = {}): Schema['Hand'] => ({
  shapes: [{ role: 'touch', path: 'M0,0Z' }],
  mirrored: false,
  at: { x: 100, y: 934 },
  degrees: 0,
  works: true,
  behind: 0,
  under: false,
  ...more,
})
const picture = (more: Partial<Picture> = {}): Picture => ({
  box: { x: 0, y: 600, width: 400, height: 500 },
  shapes: [
    { role: 'body', path: 'M0,0L1,0L1,1Z' },
    { role: 'structure', path: 'M2,2Z' },
    { role: 'spared', path: 'M3,3Z' },
    { role: 'linen', path: 'M4,4Z' },
    { role: 'way', path: 'M5,5Z' },
  ],
  hands: [hand()],
  motion: motion('glide'),
  table: [
    { role: 'table', path: 'M6,6Z' },
    { role: 'foot', path: 'M7,7Z' },
  ],
  tableBox: { x: -760, y: -560, width: 1520, height: 2720 },
  facts: {
    millimetres: 300,
    reach: 400,
    comfortable: 906,
    within: true,
    table: 733,
    towardHeart: true,
    words: ['300 mm'],
  },
  ...more,
})

describe('where the hand is', () => {
  it('goes along in the seconds of a pass and comes back through the air', () => {
    const g = motion('glide')
    expect(placed(hand(), g, 0, 0)).toMatchObject({ x: 100, y: 1000, scale: 1 })
    expect(placed(hand(), g, 4.2, 0).y).toBeCloseTo(850, 3)
    expect(placed(hand(), g, 8.4 - 1e-9, 0).y).toBeCloseTo(700, 3)
    const back = placed(hand(), g, 9.2, 0)
    expect(back.y).toBeCloseTo(850, 3)
    expect(Math.abs(back.x - 100)).toBeCloseTo(50, 3)
    expect(back.scale).toBeGreaterThan(1)
    expect(placed(hand(), g, 14.2, 0)).toEqual(placed(hand(), g, 4.2, 0))
  })
  it('keeps the distance of a second hand from the way', () => {
    const beside = hand({ at: { x: 160, y: 934 } })
    expect(placed(beside, motion('glide'), 4.2, 0).x).toBeCloseTo(160, 3)
  })
  it('follows behind', () => {
    const after = placed(hand({ behind: 0.3 }), motion('glide'), 4.2, 0)
    expect(after.y).toBeCloseTo(1000 - 300 * (0.5 - 0.3), 3)
  })
  it('glides in turn with the other', () => {
    const turn = hand({ behind: -0.5 })
    expect(placed(turn, motion('glide'), 0, 0).y).toBeCloseTo(placed(hand(), motion('glide'), 5, 0).y, 3)
    expect(placed(turn, motion('glide'), 5, 0).y).toBeCloseTo(1000, 3)
  })
  it('stays at one station as long as a hold lasts, then goes to the next, and at the last it stays', () => {
    const stations = [
      { x: 100, y: 990 },
      { x: 100, y: 850 },
      { x: 100, y: 710 },
    ]
    const h = motion('hold', { stations, seconds: 8 })
    expect(placed(hand(), h, 7.9, 0).y).toBe(990)
    expect(placed(hand(), h, 8.1, 0).y).toBe(850)
    expect(placed(hand(), h, 100, 0).y).toBe(710)
  })
  it('has a way for each side', () => {
    const left = line.map((p) => ({ ...p, x: -100 }))
    const both = motion('glide', { lines: [left, line] })
    expect(placed(hand({ at: { x: -100, y: 934 } }), both, 4.2, 0).x).toBe(-100)
    expect(placed(hand(), both, 4.2, 1).x).toBe(100)
  })
  it('rubs across the way, as often as is said', () => {
    const rubs = motion('across', { perSecond: 2, aside: { x: 26, y: 0 } })
    const there = placed(hand({ at: { x: 100, y: 850 } }), rubs, 0.125, 0)
    expect(Math.abs(there.x - 100)).toBeCloseTo(26, 3)
    expect(placed(hand({ at: { x: 100, y: 850 } }), rubs, 0.25, 0).x).toBeCloseTo(100, 3)
  })
  it('moves a limb there and back from where it lies', () => {
    const m = motion('move')
    const held = hand({ at: { x: 100, y: 1000 } })
    expect(placed(held, m, 0, 0).y).toBeCloseTo(1000, 3)
    expect(placed(held, m, 3, 0).y).toBeCloseTo(700, 3)
    expect(placed(held, m, 6, 0).y).toBeCloseTo(1000, 3)
  })
  it('goes on round where a joint goes round', () => {
    const circle = Array.from({ length: 13 }, (_, i) => ({
      x: 100 + 50 * Math.cos((Math.PI * i) / 6),
      y: 850 + 50 * Math.sin((Math.PI * i) / 6),
    }))
    const round = motion('move', { lines: [circle] })
    const at = { x: 150, y: 850 }
    expect(placed(hand({ at }), round, 1.5, 0)).toMatchObject({ x: 100, y: 900 })
    expect(placed(hand({ at }), round, 3, 0).x).toBeCloseTo(50, 3)
    expect(placed(hand({ at }), round, 4.5, 0).y).toBeCloseTo(800, 3)
  })
  it('circles as widely as it is told', () => {
    const circles = motion('circle', { perSecond: 1, radius: 12, stations: [{ x: 100, y: 850 }] })
    const p = placed(hand({ at: { x: 100, y: 850 } }), circles, 0.25, 0)
    expect(p).toMatchObject({ x: 100 })
    expect(p.y).toBeCloseTo(862, 3)
  })
  it('wrings with two hands against one another', () => {
    const wrings = motion('knead', { opposed: true })
    const one = placed(hand(), wrings, 0.5, 0)
    const two = placed(hand(), wrings, 0.5, 1)
    expect(Math.abs(one.x - 100)).toBeCloseTo(34, 3)
    expect(two.x - 100).toBeCloseTo(100 - one.x, 3)
    expect(two.y).toBe(one.y)
  })
  it('does not move a hand that does something else', () => {
    const other = hand({ works: false, at: { x: 5, y: 6 } })
    expect(placed(other, motion('glide'), 5, 0)).toMatchObject({ x: 5, y: 6 })
  })
  it('breathes in and out in ten seconds', () => {
    expect(breath(0)).toBeCloseTo(0)
    expect(breath(5)).toBeCloseTo(1)
    expect(breath(10)).toBeCloseTo(0)
  })
})

describe('a step as a picture', () => {
  it('draws each role, cuts what lies in the body by it, and hatches what is spared', () => {
    const shown = mount(StepPicture, { props: { picture: picture(), label: 'Palm glide', still: true } })
    expect(shown.attributes('viewBox')).toBe('0 600 400 500')
    expect(shown.attributes('aria-label')).toBe('Palm glide')
    const clip = shown.find('clipPath')
    expect(clip.findAll('path').map((p) => p.attributes('d'))).toEqual(['M0,0L1,0L1,1Z'])
    expect(shown.find('path.structure').element.parentElement!.getAttribute('clip-path')).toBe(
      `url(#${clip.attributes('id')})`,
    )
    expect(shown.find('path.linen').element.parentElement!.hasAttribute('clip-path')).toBe(false)
    expect(shown.find('path.spared').attributes('fill')).toMatch(/^url\(#.*spared\)$/)
    expect(shown.find('path.way').attributes('marker-end')).toMatch(/^url\(#/)
  })
  it('stands still where it begins until it is told to move', async () => {
    const shown = mount(StepPicture, {
      props: { picture: picture({ hands: [hand({ mirrored: true })] }), label: 'x', still: true },
      attachTo: document.body,
    })
    await nextTick()
    await nextTick()
    expect(shown.find('.hands').attributes('transform')).toBe(
      'translate(100.0 1000.0) rotate(0.0) scale(-1.000 1.000)',
    )
    shown.unmount()
  })
  it('leaves the work a shadow while sheet, limb and feet are set', () => {
    const of = (setUp: boolean) =>
      mount(StepPicture, { props: { picture: picture(), label: 'x', still: true, setUp } }).classes()
    expect(of(true)).toContain('set-up')
    expect(of(false)).not.toContain('set-up')
  })
  it('shows the table with the client on it and the feet over it', () => {
    const table = mount(TablePicture, { props: { picture: picture() } })
    expect(table.findAll('path').map((p) => p.classes()[0])).toEqual(['table', 'body', 'linen', 'foot'])
  })
})

describe('reading pictures', () => {
  beforeEach(() => vi.restoreAllMocks())
  it('keeps the last one asked for and reads none twice', async () => {
    const key = ref<string | undefined>('a1')
    const answers: ((p: Picture) => void)[] = []
    const read = vi.fn(() => new Promise<Picture>((done) => answers.push(done)))
    const seen = useStepPicture(() => key.value, read)
    await flushPromises()
    key.value = 'b1'
    await flushPromises()
    const b = picture({ tableBox: { x: 2, y: 0, width: 1, height: 1 } })
    answers[1]!(b)
    await flushPromises()
    answers[0]!(picture())
    await flushPromises()
    expect(seen.value).toEqual(b)
    key.value = 'a1'
    await flushPromises()
    expect(read).toHaveBeenCalledTimes(2)
    expect(seen.value!.tableBox.x).toBe(-760)
  })
  it('shows none where none can be read', async () => {
    const key = ref<string | undefined>('c1')
    const seen = useStepPicture(
      () => key.value,
      () => Promise.reject(new Error('no line')),
    )
    await flushPromises()
    expect(seen.value).toBeUndefined()
  })
})
