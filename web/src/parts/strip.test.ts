import { describe, expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import { sayWord, spaced, stepsOf, stripOf } from './strip'

const step = (id: string, more: Partial<Schema['Step']> = {}) =>
  ({
    id,
    name: id,
    technique: 'effleurage',
    zones: ['calf'],
    tool: 'palm',
    depth: 2,
    say: [],
    phase: 'warm',
    sheet: 'open',
    ...more,
  }) as unknown as Schema['Step']
const sequence = (...steps: Schema['Step'][]) =>
  ({ id: 's', name: 's', blocks: [{ id: 'b', steps }] }) as unknown as Schema['Sequence']
const span = (id: string, start: number, end: number) =>
  ({
    step: id,
    side: 'right',
    start,
    end,
    begin: start,
    open: [],
    index: 0,
    band: { low: 1, high: 3 },
  }) as unknown as Schema['SpanView']

describe('labels of the communication lane', () => {
  it('are shown only where they end before the next dot', () => {
    const says = spaced(
      [
        { at: 0, word: 'greet' },
        { at: 5, word: 'ask' },
        { at: 60, word: 'warn' },
      ],
      100,
      500,
    )
    expect(says.map((s) => s.shown)).toEqual([false, true, true])
  })
  it('are drawn in the order of time', () => {
    expect(
      spaced(
        [
          { at: 9, word: 'b' },
          { at: 1, word: 'a' },
        ],
        10,
        900,
      ).map((s) => s.word),
    ).toEqual(['a', 'b'])
  })
  it('have a short word for every kind', () => expect(sayWord('areas-to-avoid')).toBe('avoid'))
})

describe('the strip of a plan', () => {
  const plan = sequence(
    step('a', { say: [{ kind: 'warns', atSeconds: 5 }] as Schema['Saying'][] }),
    step('b', { phase: 'treat', tool: 'elbow', depth: 4 }),
  )
  const strip = stripOf(
    plan,
    [span('a', 10, 70), span('b', 80, 100)],
    100,
    (id) => id === 'b',
    (t) => t === 'elbow',
  )

  it('numbers steps by their place in the sequence', () => {
    expect(strip.blocks.map((b) => b.label)).toEqual(['1', '2'])
    expect(stepsOf(plan)).toHaveLength(2)
  })
  it('marks what is faulted and what is pointed', () => {
    expect(strip.blocks.map((b) => [b.flagged, b.pointed])).toEqual([
      [false, false],
      [true, true],
    ])
  })
  it('takes the band that came with the plan, and no rule of its own', () => {
    expect(strip.blocks.map((b) => b.band)).toEqual([
      { low: 1, high: 3 },
      { low: 1, high: 3 },
    ])
  })
  it('puts sayings where they are due', () => expect(strip.says).toEqual([{ at: 15, word: 'warn' }]))
})
