import { describe, expect, it } from 'vitest'
import { changedAt, without } from './listed'

describe('a list', () => {
  const list = [
    { a: 1, b: 1 },
    { a: 2, b: 2 },
  ]
  it('is another with one of it changed or taken out', () => {
    expect(changedAt(list, 1, { b: 9 })).toEqual([
      { a: 1, b: 1 },
      { a: 2, b: 9 },
    ])
    expect(changedAt(list, 1, { b: 9 })[0]).toBe(list[0])
    expect(without(list, 0)).toEqual([{ a: 2, b: 2 }])
    expect(list).toHaveLength(2)
  })
})
