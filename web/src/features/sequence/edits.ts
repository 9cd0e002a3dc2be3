import type { Schema } from '@/api/client'

type Sequence = Schema['Sequence']
type Block = Schema['Block']
type Step = Schema['Step']

/** Acts of authoring, each from a sequence to another. They move and copy what is there; what is right or wrong is the server's to say. */

export const stepsIn = (s: Sequence): Step[] => s.blocks.flatMap((b) => b.steps)

const withBlocks = (s: Sequence, blocks: Block[]): Sequence => ({ ...s, blocks })
const mapSteps = (s: Sequence, f: (steps: Step[], block: Block) => Step[]): Sequence =>
  withBlocks(
    s,
    s.blocks.map((b) => ({ ...b, steps: f(b.steps, b) })),
  )
/** Blocks that an act left empty go with their last step. */
const tidy = (s: Sequence): Sequence => {
  const blocks = s.blocks.filter((b) => b.steps.length > 0)
  return blocks.length === s.blocks.length ? s : withBlocks(s, blocks)
}

/** An id that no step has yet, made out of one that may be taken. */
export function freshId(s: Sequence, wish: string, taken: readonly string[] = []): string {
  const used = new Set([...stepsIn(s).map((x) => x.id), ...taken])
  if (!used.has(wish)) return wish
  const stem = wish.replace(/-\d+$/, '').slice(0, 56)
  for (let i = 2; ; i++) if (!used.has(`${stem}-${i}`)) return `${stem}-${i}`
}

function freshBlock(s: Sequence, wish: string): string {
  const used = new Set(s.blocks.map((b) => b.id))
  if (!used.has(wish)) return wish
  for (let i = 2; ; i++) if (!used.has(`${wish.slice(0, 56)}-${i}`)) return `${wish.slice(0, 56)}-${i}`
}

/** Takes steps out of their places and puts them, in their order, in front of another or behind it. */
export function moveBeside(
  s: Sequence,
  ids: readonly string[],
  target: string,
  where: 'before' | 'after',
): Sequence {
  if (ids.includes(target)) return s
  const moved = stepsIn(s).filter((x) => ids.includes(x.id))
  if (moved.length === 0) return s
  return tidy(
    mapSteps(s, (steps) =>
      steps.flatMap((x) => {
        if (x.id === target) return where === 'before' ? [...moved, x] : [x, ...moved]
        return ids.includes(x.id) ? [] : [x]
      }),
    ),
  )
}

/** Moves steps one place up or down, over the edge of a block into the next one. */
export function moveBy(s: Sequence, ids: readonly string[], by: -1 | 1): Sequence {
  const steps = stepsIn(s)
  const places = steps.flatMap((x, i) => (ids.includes(x.id) ? [i] : []))
  if (places.length === 0) return s
  const edge = by < 0 ? places[0]! : places.at(-1)!
  const blockOf = (id: string) => s.blocks.findIndex((b) => b.steps.some((x) => x.id === id))
  const here = blockOf(steps[edge]!.id)
  const next = steps[edge + by]
  if (next && blockOf(next.id) === here) return moveBeside(s, ids, next.id, by < 0 ? 'before' : 'after')
  const other = s.blocks[here + by]
  if (!other) return s
  const moved = steps.filter((x) => ids.includes(x.id))
  const blocks = s.blocks.map((b) => {
    const rest = b.steps.filter((x) => !ids.includes(x.id))
    if (b.id !== other.id) return { ...b, steps: rest }
    return { ...b, steps: by < 0 ? [...rest, ...moved] : [...moved, ...rest] }
  })
  return tidy(withBlocks(s, blocks))
}

/** Puts new steps behind one, or at the end. */
export function insertAfter(s: Sequence, after: string | undefined, added: Step[]): Sequence {
  if (after && stepsIn(s).some((x) => x.id === after))
    return mapSteps(s, (steps) => steps.flatMap((x) => (x.id === after ? [x, ...added] : [x])))
  const last = s.blocks.length - 1
  return withBlocks(
    s,
    s.blocks.map((b, i) => (i === last ? { ...b, steps: [...b.steps, ...added] } : b)),
  )
}

/** Puts blocks behind the block of a step, or at the end. */
export function insertBlocks(s: Sequence, after: string | undefined, added: Block[]): Sequence {
  const at = s.blocks.findIndex((b) => b.steps.some((x) => x.id === after))
  const place = at < 0 ? s.blocks.length : at + 1
  return withBlocks(s, [...s.blocks.slice(0, place), ...added, ...s.blocks.slice(place)])
}

export function duplicate(s: Sequence, ids: readonly string[]): { sequence: Sequence; made: string[] } {
  const chosen = stepsIn(s).filter((x) => ids.includes(x.id))
  const made: string[] = []
  const copies = chosen.map((x) => {
    const id = freshId(s, `${x.id}-2`, made)
    made.push(id)
    return { ...x, id, before: [] }
  })
  const last = chosen.at(-1)
  return { sequence: last ? insertAfter(s, last.id, copies) : s, made }
}

const OTHER: Partial<Record<Step['side'], Step['side']>> = { left: 'right', right: 'left' }
const LYING: Partial<Record<Step['position'], Step['position']>> = {
  'side-left': 'side-right',
  'side-right': 'side-left',
}

/** Copies one-sided steps for the other side, behind the last of them; what is on both sides already stays as it is. */
export function mirror(s: Sequence, ids: readonly string[]): { sequence: Sequence; made: string[] } {
  const chosen = stepsIn(s).filter((x) => ids.includes(x.id) && OTHER[x.side])
  const made: string[] = []
  const copies = chosen.map((x) => {
    const side = OTHER[x.side]!
    const id = freshId(s, `${x.id.replace(/-(left|right)$/, '')}-${side}`, made)
    made.push(id)
    return { ...x, id, side, position: LYING[x.position] ?? x.position, before: [] }
  })
  const last = chosen.at(-1)
  return { sequence: last ? insertAfter(s, last.id, copies) : s, made }
}

export function remove(s: Sequence, ids: readonly string[]): Sequence {
  if (stepsIn(s).every((x) => ids.includes(x.id))) return s
  return tidy(
    mapSteps(s, (steps) =>
      steps
        .filter((x) => !ids.includes(x.id))
        .map((x) =>
          x.before.some((b) => ids.includes(b))
            ? { ...x, before: x.before.filter((b) => !ids.includes(b)) }
            : x,
        ),
    ),
  )
}

type Dose = Schema['Dose']

function halves(d: Dose): [Dose, Dose] {
  if (d.count !== undefined && d.count > 1) {
    const first = Math.ceil(d.count / 2)
    return [
      { ...d, count: first },
      { ...d, count: d.count - first },
    ]
  }
  if (d.seconds !== undefined && d.count === undefined)
    return [
      { ...d, seconds: d.seconds / 2 },
      { ...d, seconds: d.seconds / 2 },
    ]
  return [d, d]
}

/** One step as two, each with half the dose. What is said stays with the first. */
export function split(s: Sequence, id: string): { sequence: Sequence; made: string[] } {
  const made = [freshId(s, `${id}-2`)]
  const sequence = mapSteps(s, (steps) =>
    steps.flatMap((x) => {
      if (x.id !== id) return [x]
      const [first, second] = halves(x.dose)
      const plain = {
        ...x,
        secondSide: undefined,
        minimumSeconds: undefined,
        targetSeconds: undefined,
        classSeconds: undefined,
      }
      return [
        { ...plain, dose: first, before: [] },
        { ...plain, id: made[0]!, dose: second, say: [] },
      ]
    }),
  )
  return { sequence, made }
}

const secondsOf = (d: Dose) =>
  d.kind === 'cycles' ? (d.count ?? 0) / (d.perSecond ?? 1) : (d.seconds ?? 0) * (d.count ?? 1)

/** Steps as one: the first keeps its way of working and gets the time, the zones and the words of all. */
export function join(s: Sequence, ids: readonly string[]): Sequence {
  const chosen = stepsIn(s).filter((x) => ids.includes(x.id))
  const first = chosen[0]
  if (!first || chosen.length < 2) return s
  const rest = chosen.slice(1)
  const same = rest.every(
    (x) =>
      x.dose.kind === first.dose.kind &&
      x.dose.seconds === first.dose.seconds &&
      x.dose.perSecond === first.dose.perSecond,
  )
  const dose: Dose =
    same && first.dose.count !== undefined
      ? { ...first.dose, count: chosen.reduce((sum, x) => sum + (x.dose.count ?? 0), 0) }
      : { kind: 'seconds', seconds: chosen.reduce((sum, x) => sum + secondsOf(x.dose), 0) }
  let offset = 0
  const say = chosen.flatMap((x) => {
    const words = x.say.map((w) => ({ ...w, atSeconds: w.atSeconds + offset }))
    offset += secondsOf(x.dose)
    return words
  })
  const gone = rest.map((x) => x.id)
  const joined: Step = {
    ...first,
    zones: [...new Set(chosen.flatMap((x) => x.zones))],
    dose,
    say,
    secondSide: undefined,
    minimumSeconds: undefined,
    targetSeconds: undefined,
    classSeconds: undefined,
    before: [...new Set(chosen.flatMap((x) => x.before))].filter((b) => b !== first.id && !gone.includes(b)),
  }
  const linked = mapSteps(s, (steps) =>
    steps.map((x) => ({
      ...x,
      before: [...new Set(x.before.map((b) => (gone.includes(b) ? first.id : b)))].filter((b) => b !== x.id),
    })),
  )
  return change(remove(linked, gone), first.id, joined)
}

export function change(s: Sequence, id: string, patch: Partial<Step>): Sequence {
  return mapSteps(s, (steps) => steps.map((x) => (x.id === id ? { ...x, ...patch } : x)))
}

/** Makes the rest of a block, from a step on, a block of its own. */
export function splitBlock(s: Sequence, id: string): Sequence {
  return withBlocks(
    s,
    s.blocks.flatMap((b) => {
      const at = b.steps.findIndex((x) => x.id === id)
      if (at <= 0) return [b]
      return [
        { ...b, steps: b.steps.slice(0, at) },
        { ...b, id: freshBlock(s, `${b.id}-2`), steps: b.steps.slice(at) },
      ]
    }),
  )
}

/** Joins the block of a step to the one above. */
export function joinBlock(s: Sequence, id: string): Sequence {
  const at = s.blocks.findIndex((b) => b.steps.some((x) => x.id === id))
  if (at <= 0) return s
  return withBlocks(
    s,
    s.blocks.flatMap((b, i) => {
      if (i === at) return []
      return [i === at - 1 ? { ...b, steps: [...b.steps, ...s.blocks[at]!.steps] } : b]
    }),
  )
}

export function changeBlock(s: Sequence, id: string, patch: Partial<Block>): Sequence {
  return withBlocks(
    s,
    s.blocks.map((b) => (b.id === id ? { ...b, ...patch } : b)),
  )
}
