import { shallowRef, watch } from 'vue'
import middle from './tableMaps.json'
import { bodyLook } from './useBodyLook'

export type Half = 'left' | 'right' | 'midline'

/** A zone on the table, in millimetres of the client. */
export interface ZoneShape {
  zone: string
  side: Half
  /** On the far side of the body: shown while it is worked, and not touched. */
  behind: boolean
  path: string
}
interface TableMap {
  position: string
  body: string
  zones: ZoneShape[]
  linen: { unit: string; side: Half; path: string }[]
}

const maps = shallowRef(middle as TableMap[])

/** Draws every small body in this build; the heavier one is read when it is first asked for. */
async function carryMaps(build: string) {
  try {
    maps.value = (build === 'heavy' ? (await import('./tableMapsHeavy.json')).default : middle) as TableMap[]
  } catch {
    // Not here without a network: the middle build stays.
  }
}
watch(
  () => bodyLook.value.build,
  (build) => void carryMaps(build),
  { immediate: true },
)

/** How the client lies on the table from above; who sits is seen from behind, without a sheet. */
export function mapOf(position: string): TableMap {
  const lies = position === 'semi-reclined' ? 'supine' : position
  return maps.value.find((m) => m.position === lies) ?? maps.value[0]!
}

/** Which halves of a zone work on a side touches. */
export function halves(side: string): Half[] {
  if (side === 'left' || side === 'right') return [side]
  return ['left', 'right', 'midline']
}

export interface Point {
  x: number
  y: number
}
const corners = new WeakMap<object, Point[]>()
/** The corners of a path in whole millimetres, read once. */
export function cornersOf(shape: { path: string }): Point[] {
  let all = corners.get(shape)
  if (!all) {
    all = [...shape.path.matchAll(/(-?\d+),(-?\d+)/g)].map((m) => ({ x: Number(m[1]), y: Number(m[2]) }))
    corners.set(shape, all)
  }
  return all
}

/** What shows these shapes large, with something of what is around them; as an SVG has it. */
export function boxAround(shapes: ZoneShape[]): string {
  const all = shapes.flatMap(cornersOf)
  const from = (of: (p: Point) => number) => Math.min(...all.map(of)) - AROUND
  const to = (of: (p: Point) => number) => Math.max(...all.map(of)) + AROUND
  const x = from((p) => p.x)
  const y = from((p) => p.y)
  return `${x} ${y} ${to((p) => p.x) - x} ${to((p) => p.y) - y}`
}
const AROUND = 60

/** How far a point is from the line between two others. */
export function fromLine(p: Point, a: Point, b: Point): number {
  const far = (b.x - a.x) ** 2 + (b.y - a.y) ** 2
  const t = far ? Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / far)) : 0
  return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y))
}

/** How far a point is outside a shape; 0 within. */
function away(p: Point, shape: ZoneShape): number {
  const all = cornersOf(shape)
  let inside = false
  let least = Infinity
  all.forEach((a, i) => {
    const b = all[(i + 1) % all.length]!
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside
    least = Math.min(least, fromLine(p, a, b))
  })
  return inside ? 0 : least
}

/** A finger is this broad on the table, millimetres. */
const FINGER = 90

/** The zone that a touch means: the one that lies on top there, else the nearest. */
export function touched(shapes: ZoneShape[], at: Point): ZoneShape | undefined {
  let best: ZoneShape | undefined
  let least = FINGER
  for (const shape of shapes) {
    if (shape.behind) continue
    const far = away(at, shape)
    if (far <= least) {
      least = far
      best = shape
    }
  }
  return best
}
