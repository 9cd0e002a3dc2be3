import { describe, expect, it } from 'vitest'
import type { Problem } from './client'
import { useCommand } from './useCommand'

const problem = (detail: string): Problem => ({ status: 422, code: 'invalid', detail, faults: [] })
function later() {
  let done!: () => void
  const promise = new Promise<void>((r) => (done = r))
  return { promise, done }
}

describe('a command', () => {
  it('is under way until it is done', async () => {
    const { busy, failed, during } = useCommand()
    const answer = later()
    const done = during(() => answer.promise)
    expect(busy.value).toBe(true)
    answer.done()
    expect(await done).toBe(true)
    expect(busy.value).toBe(false)
    expect(failed.value).toBeUndefined()
  })

  it('says how it failed, until the next one begins', async () => {
    const { busy, failed, during } = useCommand()
    expect(await during(() => Promise.reject(problem('no')))).toBe(false)
    expect(failed.value?.detail).toBe('no')
    expect(busy.value).toBe(false)
    const answer = later()
    const next = during(() => answer.promise)
    await Promise.resolve()
    expect(failed.value).toBeUndefined()
    answer.done()
    await next
  })

  it('waits for the one before it, done or failed', async () => {
    const { busy, during } = useCommand()
    const order: string[] = []
    const first = later()
    const one = during(async () => {
      await first.promise
      order.push('one')
      throw problem('no')
    })
    const two = during(async () => void order.push('two'))
    expect(order).toEqual([])
    first.done()
    expect(await one).toBe(false)
    expect(busy.value).toBe(true)
    expect(await two).toBe(true)
    expect(order).toEqual(['one', 'two'])
    expect(busy.value).toBe(false)
  })
})
