import { expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import { besideShown, blocksOf } from './beside'

const view = {
  sequence: {
    blocks: [
      {
        steps: [
          { id: 'warm', name: 'Warm' },
          { id: 'press', name: 'Press' },
        ],
      },
    ],
  },
  spans: [
    { step: 'warm', side: 'right', start: 0, end: 60 },
    { step: 'press', side: 'right', start: 65, end: 125 },
  ],
  run: {
    done: [
      { step: 'warm', side: 'right', start: 1000, end: 31_000 },
      { step: 'warm', side: 'right', start: 90_000, end: 100_000 },
    ],
  },
} as unknown as Schema['PracticalView']
const shown = {
  shown: {
    moments: [
      { number: 1, side: 'right', name: 'Warm' },
      { number: 2, side: 'right', name: 'Press' },
      { number: 1, side: 'left', name: 'Warm' },
    ],
  },
  live: { progress: { order: [1, 0], seconds: [20, 45, 0] } },
} as unknown as Schema['DemonstrationView']

it('puts class time beside client time and the student’s own, whatever was done twice', () => {
  expect(besideShown(view, shown)).toEqual([
    {
      key: 'warm/right',
      place: 1,
      name: 'Warm',
      side: 'right',
      plannedSeconds: 60,
      shownSeconds: 20,
      doneSeconds: 40,
    },
    {
      key: 'press/right',
      place: 2,
      name: 'Press',
      side: 'right',
      plannedSeconds: 60,
      shownSeconds: 45,
      doneSeconds: 0,
    },
  ])
})

it('draws what was shown in the order it was shown in, and nothing that was left out', () => {
  expect(blocksOf(shown).map((b) => [b.label, b.start, b.end])).toEqual([
    ['2', 0, 45],
    ['1', 45, 65],
  ])
})
