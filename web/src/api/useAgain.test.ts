import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { problemOf } from './client'
import { useAsked } from './useAsked'

describe('what nobody answered', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  function asked(outcomes: (number | 'there')[]) {
    const load = vi.fn(() => {
      const next = outcomes.length > 1 ? outcomes.shift() : outcomes[0]
      return next === 'there'
        ? Promise.resolve('there')
        : Promise.reject(
            next === 0 ? problemOf(undefined) : problemOf({}, new Response(null, { status: next as number })),
          )
    })
    const scope = effectScope()
    return { load, scope, asked: scope.run(() => useAsked(load))! }
  }

  it('is asked again by itself, later each time, and comes back', async () => {
    const { load, asked: it } = asked([0, 503, 0, 'there'])
    await vi.advanceTimersByTimeAsync(0)
    expect(load).toHaveBeenCalledTimes(1)
    await vi.advanceTimersByTimeAsync(1999)
    expect(load).toHaveBeenCalledTimes(1)
    await vi.advanceTimersByTimeAsync(1)
    expect(load).toHaveBeenCalledTimes(2)
    await vi.advanceTimersByTimeAsync(4000)
    expect(load).toHaveBeenCalledTimes(3)
    await vi.advanceTimersByTimeAsync(8000)
    expect(load).toHaveBeenCalledTimes(4)
    expect(it.data.value).toBe('there')
    expect(it.problem.value).toBeUndefined()
    await vi.advanceTimersByTimeAsync(60_000)
    expect(load).toHaveBeenCalledTimes(4)
  })
  it('is asked every ten seconds at last', async () => {
    const { load } = asked([0])
    await vi.advanceTimersByTimeAsync(2000 + 4000 + 8000 + 10_000 + 10_000)
    expect(load).toHaveBeenCalledTimes(6)
  })
  it('is let be when the page is left', async () => {
    const { load, scope } = asked([0])
    await vi.advanceTimersByTimeAsync(100)
    scope.stop()
    await vi.advanceTimersByTimeAsync(60_000)
    expect(load).toHaveBeenCalledTimes(1)
  })
  it('is not what was refused: that would be refused again', async () => {
    for (const status of [401, 403, 404, 409, 422, 500]) {
      const { load } = asked([status])
      await vi.advanceTimersByTimeAsync(60_000)
      expect(load).toHaveBeenCalledTimes(1)
    }
  })
})
