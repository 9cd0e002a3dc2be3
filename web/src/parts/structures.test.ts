import { describe, expect, it } from 'vitest'
import { loadStructures, structuresAt, structuresOf } from './structures'

/** A muscle on top and one below it, side by side with a third; by hand. */
const LINES = [
  { structure: 'soleus', side: 'right', breadth: 60, deep: true, path: 'M50,1400L50,1600' },
  { structure: 'gastrocnemius', side: 'right', breadth: 60, deep: false, path: 'M50,1300L50,1500' },
  { structure: 'peroneals', side: 'right', breadth: 20, deep: false, path: 'M100,1300L100,1600' },
  { structure: 'gastrocnemius', side: 'left', breadth: 60, deep: false, path: 'M-50,1300L-50,1500' },
] as const

describe('a structure under a finger', () => {
  it('is on top before it is deep, then the nearest', () => {
    expect(structuresAt([...LINES], { x: 60, y: 1450 }, 'right')).toEqual(['gastrocnemius', 'soleus'])
    // 30 mm from the calf's midline is its edge; 12 beyond it still is, 13 is not.
    expect(structuresAt([...LINES], { x: 92, y: 1450 }, 'right')).toEqual([
      'peroneals',
      'gastrocnemius',
      'soleus',
    ])
    expect(structuresAt([...LINES], { x: 93, y: 1450 }, 'right')).toEqual(['peroneals'])
    expect(structuresAt([...LINES], { x: 60, y: 1560 }, 'right')).toEqual(['soleus'])
    expect(structuresAt([...LINES], { x: 300, y: 1450 }, 'right')).toEqual([])
  })
  it('is one of the side that was touched', () => {
    expect(structuresAt([...LINES], { x: -50, y: 1400 }, 'left')).toEqual(['gastrocnemius'])
    expect(structuresAt([...LINES], { x: -50, y: 1400 }, 'right')).toEqual([])
  })
  it('is read when it is first asked for', async () => {
    expect(structuresOf('prone')).toEqual([])
    await loadStructures()
    const calf = structuresOf('prone').find((l) => l.structure === 'soleus' && l.side === 'right')
    expect(calf).toMatchObject({ deep: true })
    expect(structuresOf('side-left').some((l) => l.side === 'left')).toBe(false)
  })
})
