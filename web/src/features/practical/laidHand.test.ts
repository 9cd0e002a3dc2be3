import { describe, expect, it } from 'vitest'
import { FINGERS } from '@/parts/criteria'
import { PICKS } from './fingers'
import { APART, BACK, cellsOf, columnsOf, handOf, reachOf } from './laidHand'

/** A left hand from above: little finger on the left, thumb low on the right. */
const LEFT = [
  { x: 60, y: 230 },
  { x: 170, y: 140 },
  { x: 290, y: 110 },
  { x: 410, y: 150 },
  { x: 540, y: 320 },
]
const mirrored = LEFT.map((p) => ({ x: 600 - p.x, y: p.y }))

describe('a hand that is laid down', () => {
  it('has its thumb where the wrist is nearer, left hand or right', () => {
    expect(handOf(LEFT)).toMatchObject({ pressure: LEFT[4], order: LEFT[3], draping: LEFT[0] })
    expect(handOf(mirrored)).toMatchObject({ pressure: mirrored[4], draping: mirrored[0] })
  })
  it('is the same whatever finger lands first', () => {
    expect(handOf([LEFT[3]!, LEFT[0]!, LEFT[4]!, LEFT[2]!, LEFT[1]!])).toEqual(handOf(LEFT))
  })
  it('is none with four fingers, six, or two too close together', () => {
    expect(handOf(LEFT.slice(1))).toBeUndefined()
    expect(handOf([...LEFT, { x: 700, y: 100 }])).toBeUndefined()
    expect(handOf(LEFT.map((p, i) => (i === 1 ? { x: 60 + APART - 1, y: p.y } : p)))).toBeUndefined()
    expect(handOf(LEFT.map((p, i) => (i === 1 ? { x: 60 + APART, y: p.y } : p)))).toBeDefined()
  })
})

describe('columns', () => {
  const columns = columnsOf(handOf(LEFT)!, 600)
  it('lie side by side over the whole width, left to right', () => {
    expect(columns.map((c) => c.id)).toEqual(['draping', 'communication', 'mechanics', 'order', 'pressure'])
    let edge = 0
    for (const c of columns) {
      expect(c.left).toBe(edge)
      edge += c.width
    }
    expect(edge).toBe(600)
  })
  it('give each point to the finger that is nearest', () => {
    for (let x = 1; x < 600; x += 7) {
      const nearest = [...columns].sort((a, b) => Math.abs(a.home.x - x) - Math.abs(b.home.x - x))[0]!
      const of = columns.find((c) => c.left <= x && x < c.left + c.width)!
      expect(Math.abs(of.home.x - x)).toBe(Math.abs(nearest.home.x - x))
    }
  })
})

describe('what the fingers reach', () => {
  it('is every pick once that is not far, and the way back under the little finger, one row below', () => {
    for (const f of FINGERS) {
      // What is shown at once: the words of an interview, and never those of an opening besides.
      const shown = PICKS[f.id].filter((p) => p.when !== 'opening')
      const reach = reachOf(f.id, shown, false)
      expect(reach.filter((p) => p && p.kind !== 'report')).toEqual(shown.filter((p) => !p.far))
      expect(reach[BACK]).toBeUndefined()
      expect(reach.length).toBeLessThanOrEqual(20)
    }
  })
  it('has the main one under the thumb', () => {
    for (const f of FINGERS)
      if (PICKS[f.id].some((p) => p.main)) expect(reachOf(f.id, PICKS[f.id], false)[0]!.main).toBe(true)
  })
  it.each([
    [LEFT, 'left'],
    [mirrored, 'right'],
  ])('has what the client says, 0 to 10, rising from left to right: %s', (points) => {
    const hand = handOf(points)!
    const reach = reachOf('pressure', PICKS.pressure, hand.pressure.x < hand.draping.x)
    const said = reach.filter((p) => p?.kind === 'report').map((p) => p!.data.number)
    expect(said.sort((a, b) => a! - b!)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
    const across = (from: number) =>
      cellsOf(columnsOf(hand, 600), reach.length, 480)
        .filter((c) => c.place >= from && c.place < from + 5)
        .sort((a, b) => a.column.left - b.column.left)
        .map((c) => reach[c.place]!.label)
    expect(across(10)).toEqual(['1', '2', '3', '4', '5'])
    expect(across(15)).toEqual(['6', '7', '8', '9', '10'])
  })
})

describe('cells', () => {
  const columns = columnsOf(handOf(LEFT)!, 600)
  it.each([10, 12, 15, 20])('of %i places fill each column without a gap, none under 44 pixels', (places) => {
    const cells = cellsOf(columns, places, 480)
    for (const column of columns) {
      const own = cells.filter((c) => c.column === column).sort((a, b) => a.top - b.top)
      expect(own).toHaveLength(Math.ceil(places / 5))
      let edge = 0
      for (const c of own) {
        expect(c.top).toBeCloseTo(edge)
        expect(c.height).toBeGreaterThanOrEqual(APART)
        edge += c.height
      }
      expect(edge).toBeCloseTo(480)
    }
  })
  it('have the first row where the finger lies, the next below, then above', () => {
    const of = (place: number) => cellsOf(columns, 15, 480).find((c) => c.place === place)!
    const { y } = handOf(LEFT)!.order
    const [home, below, above] = [of(1), of(6), of(11)]
    expect(home.top).toBeLessThan(y)
    expect(home.top + home.height).toBeGreaterThan(y)
    expect(below.top).toBeCloseTo(home.top + home.height)
    expect(above.top + above.height).toBeCloseTo(home.top)
  })
  it('stay on the screen when the hand lies at its edge', () => {
    const low = columnsOf(handOf(LEFT.map((p) => ({ x: p.x, y: p.y + 159 })))!, 600)
    for (const c of cellsOf(low, 20, 480)) {
      expect(c.top).toBeGreaterThanOrEqual(0)
      expect(c.top + c.height).toBeLessThanOrEqual(480 + 1e-9)
      expect(c.height).toBeGreaterThanOrEqual(APART)
    }
  })
})
