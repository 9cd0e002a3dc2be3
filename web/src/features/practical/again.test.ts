import { describe, expect, it } from 'vitest'
import { againTogether } from './again'

const name = (id: string) => id.toUpperCase()
const again = (step: string, ...why: string[]) => ({ step, why })

describe('what is to be shown again', () => {
  it('says a reason once for all steps that have it', () => {
    expect(
      againTogether(
        [
          again('a', 'too deep'),
          again('b', 'left open'),
          again('c', 'too deep'),
          again('d', 'too deep', 'left open'),
        ],
        name,
      ),
    ).toEqual([
      { said: 'A, C', why: 'too deep' },
      { said: 'B', why: 'left open' },
      { said: 'D', why: 'too deep; left open' },
    ])
  })
  it('does not list all steps where all are for one reason', () => {
    const four = ['a', 'b', 'c', 'd'].map((s) => again(s, 'not observed'))
    expect(againTogether(four, name)).toEqual([{ said: 'All 4 steps', why: 'not observed' }])
    expect(againTogether(four.slice(0, 2), name)[0]!.said).toBe('A, B')
  })
})
