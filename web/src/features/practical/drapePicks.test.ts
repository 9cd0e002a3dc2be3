import { describe, expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import { drapePicks } from './drapePicks'
import { PICKS, RIGHT_HAND } from './fingers'

const byId = (a: { id: string }, b: { id: string }) => a.id.localeCompare(b.id)
const point = (id: string, missed: string, fault: string) => ({ id, words: id, missed, fault })
const thread = {
  id: 'leg-thread',
  name: 'leg, threaded',
  opens: ['leg'],
  points: [
    point('fan-folded', 'edge not folded', 'other'),
    point('pinched', 'pinch lost', 'loose'),
    point('threaded', 'not threaded through', 'other'),
    point('rolled-under', 'edge rolled over', 'not-secured'),
    point('gathered', 'not gathered before the lift', 'not-secured'),
    point('covered-when-done', 'left open', 'left-open'),
  ],
} as Schema['DrapeWord']

describe('the points of a way to open the sheet', () => {
  const picks = drapePicks(thread)

  it('are all that a look can miss, between a clean one and permission', () => {
    expect(picks.map((p) => `${p.key} ${p.label}`)).toEqual([
      'j Sheet clean',
      'm Edge not folded',
      'k Pinch lost',
      'n Not threaded through',
      'o Edge rolled over',
      'e Not gathered before the lift',
      'l Left open',
      'h Asks first',
      'y Says yes',
      ', Says no',
      '. Takes back',
      'q Lubricant',
      'w Wipes hands',
    ])
    expect(picks[4]!.data).toEqual({ missed: ['not-secured'], points: ['rolled-under'] })
  })
  it('have a key each, and those of every sheet the same as ever', () => {
    expect(new Set(picks.map((p) => p.key)).size).toBe(picks.length)
    for (const p of picks) expect(RIGHT_HAND).toContain(p.key)
    const usual = PICKS.draping.find((p) => p.id === 'sheet-loose')!
    expect(picks.find((p) => p.data.missed?.includes('loose'))!.key).toBe(usual.key)
  })
  it('stand after permission where that is due', () => {
    const due = drapePicks(thread, true)
    expect(due.slice(0, 5).map((p) => p.label)).toEqual([
      'Sheet clean',
      'Asks first',
      'Says yes',
      'Says no',
      'Takes back',
    ])
    expect([...due].sort(byId)).toEqual([...picks].sort(byId))
  })
  it('are those of any sheet where none is opened', () => {
    expect(drapePicks(undefined)).toBe(PICKS.draping)
  })
})
