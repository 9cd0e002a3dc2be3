import { describe, expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import {
  change,
  changeBlock,
  duplicate,
  freshId,
  insertAfter,
  insertBlocks,
  join,
  joinBlock,
  mirror,
  moveBeside,
  moveBy,
  remove,
  split,
  splitBlock,
  stepsIn,
} from './edits'

type Step = Schema['Step']
const step = (id: string, more: Partial<Step> = {}): Step =>
  ({
    id,
    name: id,
    technique: 'effleurage',
    zones: ['calf'],
    side: 'right',
    tool: 'palm',
    depth: 2,
    dose: { kind: 'seconds', seconds: 60 },
    lubricant: 'dry',
    sheet: 'open',
    position: 'prone',
    effort: 'passive',
    stance: 'lunge',
    stands: 'same-side',
    say: [],
    phase: 'warm',
    importance: 'should',
    before: [],
    care: [],
    ...more,
  }) as Step
const of = (...blocks: Step[][]): Schema['Sequence'] =>
  ({
    id: 's',
    name: 'S',
    region: 'lower-leg',
    slotSeconds: 600,
    firstSide: 'right',
    note: '',
    blocks: blocks.map((steps, i) => ({
      id: `b${i}`,
      name: `B${i}`,
      order: 'in-order',
      repeat: 'once',
      steps,
    })),
  }) as Schema['Sequence']
const ids = (s: Schema['Sequence']) => stepsIn(s).map((x) => x.id)
const plan = of([step('a'), step('b'), step('c')], [step('d')])

describe('moving', () => {
  it('puts steps beside another, in their own order, across blocks', () => {
    expect(ids(moveBeside(plan, ['c', 'a'], 'd', 'after'))).toEqual(['b', 'd', 'a', 'c'])
    expect(ids(moveBeside(plan, ['d'], 'a', 'before'))).toEqual(['d', 'a', 'b', 'c'])
    expect(moveBeside(plan, ['d'], 'a', 'before').blocks).toHaveLength(1)
    expect(moveBeside(plan, ['a'], 'a', 'after')).toBe(plan)
  })
  it('goes one place within a block and over its edge into the next', () => {
    expect(ids(moveBy(plan, ['b'], -1))).toEqual(['b', 'a', 'c', 'd'])
    const over = moveBy(plan, ['c'], 1)
    expect(over.blocks.map((b) => b.steps.map((x) => x.id))).toEqual([
      ['a', 'b'],
      ['c', 'd'],
    ])
    expect(moveBy(plan, ['a'], -1)).toBe(plan)
    expect(ids(moveBy(plan, ['a', 'b'], 1))).toEqual(['c', 'a', 'b', 'd'])
  })
})

describe('copying', () => {
  it('makes ids that are not taken', () => {
    expect(freshId(plan, 'a')).toBe('a-2')
    expect(freshId(plan, 'new')).toBe('new')
    expect(freshId(plan, 'a', ['a-2'])).toBe('a-3')
  })
  it('duplicates behind the last of the chosen', () => {
    const { sequence, made } = duplicate(plan, ['a', 'b'])
    expect(ids(sequence)).toEqual(['a', 'b', ...made, 'c', 'd'])
    expect(new Set(ids(sequence)).size).toBe(6)
  })
  it('mirrors one-sided steps, and the position with them', () => {
    const lying = of([step('a', { position: 'side-left' }), step('m', { side: 'both' })])
    const { sequence, made } = mirror(lying, ['a', 'm'])
    expect(made).toEqual(['a-left'])
    expect(stepsIn(sequence)[1]).toMatchObject({ side: 'left', position: 'side-right' })
  })
})

describe('taking apart and together', () => {
  it('splits a dose in two that make the whole', () => {
    const passes = of([step('a', { dose: { kind: 'passes', seconds: 10, count: 5 } })])
    const parts = stepsIn(split(passes, 'a').sequence)
    expect(parts.map((x) => x.dose.count)).toEqual([3, 2])
    expect(stepsIn(split(plan, 'a').sequence)[1]!.dose.seconds).toBe(30)
  })
  it('joins time, zones, words and links', () => {
    const s = of([
      step('a', { say: [{ kind: 'warns', atSeconds: 0 }] }),
      step('b', { zones: ['achilles'], say: [{ kind: 'choice', atSeconds: 5 }] }),
      step('c', { before: ['b'] }),
    ])
    const joined = join(s, ['a', 'b'])
    expect(ids(joined)).toEqual(['a', 'c'])
    expect(stepsIn(joined)[0]).toMatchObject({
      zones: ['calf', 'achilles'],
      dose: { seconds: 120 },
      say: [{ atSeconds: 0 }, { atSeconds: 65 }],
    })
    expect(stepsIn(joined)[1]!.before).toEqual(['a'])
    expect(join(s, ['a'])).toBe(s)
  })
  it('removes links with their steps, and never the last step', () => {
    const s = of([step('a', { before: ['b'] }), step('b')])
    expect(stepsIn(remove(s, ['b']))[0]!.before).toEqual([])
    expect(remove(s, ['a', 'b'])).toBe(s)
  })
  it('splits and joins blocks', () => {
    const two = splitBlock(plan, 'b')
    expect(two.blocks.map((b) => b.steps.length)).toEqual([1, 2, 1])
    expect(joinBlock(two, 'b').blocks.map((b) => b.steps.length)).toEqual([3, 1])
    expect(joinBlock(plan, 'a')).toBe(plan)
    expect(splitBlock(plan, 'a')).toEqual(plan)
  })
})

describe('adding and changing', () => {
  it('inserts behind a step, or at the end', () => {
    expect(ids(insertAfter(plan, 'a', [step('x')]))).toEqual(['a', 'x', 'b', 'c', 'd'])
    expect(ids(insertAfter(plan, undefined, [step('x')]))).toEqual(['a', 'b', 'c', 'd', 'x'])
    expect(insertBlocks(plan, 'b', of([step('x')]).blocks).blocks[1]!.steps[0]!.id).toBe('x')
  })
  it('changes a step or a block and nothing else', () => {
    expect(stepsIn(change(plan, 'b', { depth: 3 })).map((x) => x.depth)).toEqual([2, 3, 2, 2])
    expect(changeBlock(plan, 'b1', { repeat: 'each-side' }).blocks.map((b) => b.repeat)).toEqual([
      'once',
      'each-side',
    ])
  })
})
