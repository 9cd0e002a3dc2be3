import { FINGERS, type Criterion } from '@/parts/criteria'
import type { Pick } from './fingers'

/** Pixels from the left and the top of the screen's part that the hand lies on. */
export interface Point {
  x: number
  y: number
}
/** Where each finger of a hand lies. */
export type Hand = Record<Criterion, Point>

/** Fingers closer than this are not told apart: a target is 44 pixels at least. */
export const APART = 44

/**
 * Which finger is which, of five that lie on the screen. The thumb is at that end which is nearer to the wrist, so that either hand
 * can be laid down.
 *
 * @returns nothing unless there are five, each apart from the next
 */
export function handOf(points: readonly Point[]): Hand | undefined {
  if (points.length !== FINGERS.length) return undefined
  const across = [...points].sort((a, b) => a.x - b.x)
  if (across.some((p, i) => i > 0 && p.x - across[i - 1]!.x < APART)) return undefined
  if (across[0]!.y < across.at(-1)!.y) across.reverse()
  return Object.fromEntries(FINGERS.map((f, i) => [f.id, across[i]!])) as Hand
}

/** A part of the screen that is one finger's, whole from top to bottom. */
export interface Column {
  id: Criterion
  left: number
  width: number
  /** Where the finger lies, from the corner of the whole. */
  home: Point
  /** Width of what is drawn under the finger, its middle at the finger; taps beside it count as well. */
  drawn: number
}

/** Wider than this nothing is drawn. */
const WIDEST = 160

/** Columns from left to right; a tap belongs to the finger that is nearest, so that nothing need be aimed at. */
export function columnsOf(hand: Hand, width: number): Column[] {
  const across = FINGERS.map((f) => ({ id: f.id, at: hand[f.id] })).sort((a, b) => a.at.x - b.at.x)
  const edges = across.map((f, i) => (i === 0 ? 0 : (across[i - 1]!.at.x + f.at.x) / 2))
  return across.map((f, i) => {
    const left = edges[i]!
    const right = edges[i + 1] ?? width
    const drawn = Math.min(WIDEST, 2 * Math.min(f.at.x - left, right - f.at.x))
    return { id: f.id, left, width: right - left, home: f.at, drawn }
  })
}

/** Rows as a finger reaches them, in the order they are filled: where it lies, below, above, further above. */
const REACH = [0, 1, -1, -2]
/** Way back to the five fingers: under the little finger, in the row below. */
export const BACK = 9

const said = (n: number): Pick => ({
  id: `report-${n}`,
  label: String(n),
  finger: 'pressure',
  key: String(n),
  kind: 'report',
  data: { number: n },
})
const span = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => said(from + i))

/**
 * What the fingers have once one of them was tapped, five a row from thumb to little finger. What the client says is above the
 * answers to it and rises from left to right.
 *
 * @param thumbLeft whether it is a right hand
 */
export function reachOf(finger: Criterion, picks: readonly Pick[], thumbLeft: boolean): (Pick | undefined)[] {
  const close = picks.filter((p) => !p.far)
  const near = Array.from({ length: BACK }, (_, i): Pick | undefined => close[i])
  if (finger !== 'pressure') return [...near, undefined, ...close.slice(BACK)]
  near[BACK - 1] = said(0)
  const digits = (from: number, to: number) => (thumbLeft ? span(from, to) : span(from, to).reverse())
  return [...near, undefined, ...digits(1, 5), ...digits(6, 10)]
}

/** One thing under a finger, in pixels from the top: what counts as on it, and within that the row that is drawn. */
export interface Cell {
  column: Column
  /** Which of what the fingers reach it is. */
  place: number
  top: number
  height: number
  row: number
  high: number
}

/** Pixels of a row: as high as there is room for around the fingers, within these. */
const LOWEST = 60
const HIGHEST = 96

/** Rows of the columns, each around where its finger lies; the outermost go on to the edge. */
export function cellsOf(columns: readonly Column[], places: number, height: number): Cell[] {
  const rows = REACH.slice(0, Math.ceil(places / FINGERS.length))
  const up = -Math.min(...rows)
  const room = columns.map((c) =>
    Math.min(c.home.y / (up + 0.5), (height - c.home.y) / (rows.length - up - 0.5)),
  )
  const high = Math.min(height / rows.length, Math.max(LOWEST, Math.min(HIGHEST, ...room)))
  return columns.flatMap((column) => {
    const first = Math.max(0, Math.min(height - rows.length * high, column.home.y - (up + 0.5) * high))
    return rows.map((reach, row) => {
      const at = up + reach
      const drawn = first + at * high
      const top = at === 0 ? 0 : drawn
      const end = at === rows.length - 1 ? height : drawn + high
      return {
        column,
        place: row * FINGERS.length + FINGERS.findIndex((f) => f.id === column.id),
        top,
        height: end - top,
        row: drawn + 2,
        high: high - 4,
      }
    })
  })
}

/** Which of some parts of the screen a point lies on. */
export const columnAt = (columns: readonly Column[], at: Point) =>
  columns.find((c) => c.left <= at.x && at.x < c.left + c.width)
export const cellAt = (cells: readonly Cell[], at: Point) =>
  cells.find(
    (c) =>
      c.column.left <= at.x &&
      at.x < c.column.left + c.column.width &&
      c.top <= at.y &&
      at.y < c.top + c.height,
  )
