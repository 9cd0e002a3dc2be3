import type { Schema } from '@/api/client'

export type Picture = Schema['Picture']
type Motion = Schema['Motion']
type Point = Schema['Point']

/** Where a hand is drawn: millimetres, degrees clockwise, and how large. */
export interface Placed {
  x: number
  y: number
  degrees: number
  scale: number
}

/** Part of a pass that is spent on the way; the rest is the way back through the air. */
const GOING = 0.84
/** How far two hands that wring go to each side, millimetres. */
const WRUNG = 34
/** How long it takes to knead a muscle from one end to the other, seconds. */
const KNEADED = 12
/** How long a limb is moved there and back, seconds. */
const MOVED = 6

function along(line: Point[], part: number): Point {
  const place = Math.max(0, Math.min(1, part)) * (line.length - 1)
  const i = Math.min(line.length - 2, Math.floor(place))
  const a = line[i]!
  const b = line[i + 1]!
  return { x: a.x + (b.x - a.x) * (place - i), y: a.y + (b.y - a.y) * (place - i) }
}

function acrossAt(line: Point[], part: number): Point {
  const a = along(line, part - 0.08)
  const b = along(line, part + 0.08)
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1
  return { x: -(b.y - a.y) / length, y: (b.x - a.x) / length }
}

/** There and back between two ends, as a swing: -1 to 1. */
const swing = (cycles: number) => Math.sin(2 * Math.PI * cycles)

/**
 * Where the working hand is after so many seconds of work.
 *
 * @param index which of the hands: where both sides are worked, each has its own way; hands that go against one another differ
 */
export function placed(hand: Schema['Hand'], motion: Motion, seconds: number, index: number): Placed {
  const stays: Placed = { ...hand.at, degrees: hand.degrees, scale: 1 }
  if (!hand.works) return stays
  const line = motion.lines[Math.min(index, motion.lines.length - 1)]!
  // Hands that share one way keep their distance from it.
  const start = nearest(line, hand.at)
  const off = { x: hand.at.x - start.x, y: hand.at.y - start.y }
  const at = (p: Point, scale = 1): Placed => ({ ...stays, x: p.x + off.x, y: p.y + off.y, scale })
  switch (motion.kind) {
    case 'glide': {
      // Hands that work in turn are half a pass apart.
      const into = (seconds / motion.seconds + (hand.behind < 0 ? 0.5 : 0)) % 1
      const part = Math.max(0, into / GOING - Math.max(0, hand.behind))
      if (into < GOING) return at(along(line, part))
      const back = (into - GOING) / (1 - GOING)
      const p = along(line, 1 - back)
      const out = acrossAt(line, 1 - back)
      const far = Math.sin(Math.PI * back) * 50
      return at({ x: p.x - out.x * far, y: p.y - out.y * far }, 1.05)
    }
    case 'knead': {
      const into = (seconds / KNEADED) % 2
      const turn = swing(seconds / 2 + (hand.behind < 0 ? 0.5 : 0))
      const part = 0.15 + 0.6 * (into < 1 ? into : 2 - into)
      const p = along(line, part)
      if (!motion.opposed) return at(p, 1 - 0.06 * Math.max(0, turn))
      const out = acrossAt(line, part)
      const far = swing(seconds / 2) * (index % 2 ? -WRUNG : WRUNG)
      return at({ x: p.x + out.x * far, y: p.y + out.y * far })
    }
    case 'press':
    case 'tap': {
      const each = motion.kind === 'tap' ? 1 / motion.perSecond : 2
      const n = ofLine(motion, index)
      const p = n[Math.floor(seconds / each) % n.length]!
      return at(p, 1.03 - 0.08 * Math.sin(Math.PI * ((seconds / each) % 1)))
    }
    case 'hold': {
      const n = ofLine(motion, index)
      const p = n[Math.min(n.length - 1, Math.floor(seconds / motion.seconds))]!
      // A hold beats once a second, so that it is seen to last.
      return at(p, 1 - 0.018 * Math.max(0, swing(seconds)))
    }
    case 'circle': {
      const n = ofLine(motion, index)
      const p = n[Math.floor(seconds / 6) % n.length]!
      const turn = 2 * Math.PI * seconds * Math.min(motion.perSecond, 1)
      const r = motion.radius ?? 0
      return at({ x: p.x + r * Math.cos(turn), y: p.y + r * Math.sin(turn) })
    }
    case 'across':
    case 'rock': {
      const out = motion.aside ?? { x: 0, y: 0 }
      const far = swing(seconds * motion.perSecond) * (motion.opposed && index % 2 ? -1 : 1)
      const p = along(line, 0.5)
      return at({ x: p.x + out.x * far, y: p.y + out.y * far })
    }
    case 'look':
      return stays
    case 'move': {
      // A joint that goes round goes on round; any other goes there and back.
      const round = Math.hypot(line[0]!.x - line.at(-1)!.x, line[0]!.y - line.at(-1)!.y) < 1
      return at(
        along(line, round ? (seconds / MOVED) % 1 : (1 - Math.cos((2 * Math.PI * seconds) / MOVED)) / 2),
      )
    }
  }
}

/** Stations of the way of one hand. */
function ofLine(motion: Motion, index: number): Point[] {
  const each = motion.stations.length / motion.lines.length
  const i = Math.min(index, motion.lines.length - 1)
  const own = motion.stations.slice(i * each, (i + 1) * each)
  return own.length ? own : [along(motion.lines[i]!, 0.5)]
}

function nearest(line: Point[], to: Point): Point {
  let best = line[0]!
  let least = Infinity
  for (let i = 0; i <= 24; i++) {
    const p = along(line, i / 24)
    const far = Math.hypot(p.x - to.x, p.y - to.y)
    if (far < least) {
      least = far
      best = p
    }
  }
  // A hand that stands on its way is on it.
  return least < 12 ? to : best
}

/** How much the breath swells what is worked, 0 to 1: in and out in ten seconds. */
export const breath = (seconds: number) => (1 - Math.cos((2 * Math.PI * seconds) / 10)) / 2
