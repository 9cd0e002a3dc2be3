import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { useOfflineReady } from './useOfflineReady'

describe('working with the network down', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())
  const failing = (name: string) => Object.assign(new Error(), { name })
  async function state(workers: unknown, ms = 10) {
    const scope = effectScope()
    const ready = scope.run(() => useOfflineReady(workers as never))!
    await vi.advanceTimersByTimeAsync(ms)
    return ready.value
  }
  it('is ready where the app is kept already, or is kept now', async () => {
    expect(await state({ getRegistration: async () => ({}), register: vi.fn() })).toBe('ready')
    expect(await state({ getRegistration: async () => undefined, register: async () => ({}) })).toBe('ready')
  })
  it('is refused where the certificate is not trusted', async () => {
    expect(
      await state({
        getRegistration: async () => undefined,
        register: () => Promise.reject(failing('SecurityError')),
      }),
    ).toBe('untrusted')
  })
  it('is nothing a browser without workers can do', async () => {
    const scope = effectScope()
    vi.stubGlobal('navigator', {})
    const ready = scope.run(() => useOfflineReady())!
    await vi.advanceTimersByTimeAsync(10)
    expect(ready.value).toBe('unable')
    vi.unstubAllGlobals()
  })
  it('is asked again while the server is away', async () => {
    const register = vi.fn().mockRejectedValueOnce(failing('TypeError')).mockResolvedValue({})
    expect(await state({ getRegistration: async () => undefined, register })).toBe('asking')
    await vi.advanceTimersByTimeAsync(4000)
    expect(register).toHaveBeenCalledTimes(2)
  })
})
