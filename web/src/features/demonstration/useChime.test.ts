import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, type EffectScope } from 'vue'
import { useBeat, type Beating } from './useBeat'
import { useChime } from './useChime'

let scope: EffectScope
let tones: number[]
let said: string[]

beforeEach(() => {
  localStorage.clear()
  vi.useFakeTimers()
  tones = []
  said = []
  class Context {
    currentTime = 0
    destination = {}
    resume = () => Promise.resolve()
    close = () => Promise.resolve()
    createGain = () => ({
      gain: { setValueAtTime: vi.fn(), exponentialRampToValueAtTime: vi.fn() },
      connect: (x: unknown) => x,
    })
    createOscillator() {
      const frequency = { value: 0 }
      return {
        frequency,
        connect: (x: unknown) => x,
        start: () => tones.push(frequency.value),
        stop: vi.fn(),
      }
    }
  }
  vi.stubGlobal('AudioContext', Context)
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

it('rings when a part gives way to another, once somebody asked for it', async () => {
  const part = ref<number | undefined>(0)
  const { on } = scope.run(() => useChime(() => part.value))!
  part.value = 1
  await nextTick()
  expect(tones).toEqual([])
  on.value = true
  await nextTick()
  tones = []
  part.value = 2
  await nextTick()
  expect(tones).toHaveLength(3)
  part.value = undefined
  await nextTick()
  expect(tones).toHaveLength(3)
})

function voices(...local: boolean[]) {
  vi.stubGlobal(
    'SpeechSynthesisUtterance',
    class {
      constructor(public text: string) {}
    },
  )
  vi.stubGlobal('speechSynthesis', {
    getVoices: () => local.map((localService) => ({ localService, lang: 'en' })),
    cancel: vi.fn(),
    speak: (u: { text: string }) => said.push(u.text),
  })
}
async function count(every: number, to: number, lasts: number) {
  const beat = ref<Beating>()
  const { counting } = scope.run(() => useBeat(() => beat.value))!
  counting.value = 'voice'
  for (let worked = 0; worked <= to; worked += 0.1) {
    beat.value = { worked, every, lasts }
    await vi.advanceTimersByTimeAsync(100)
  }
  await vi.advanceTimersByTimeAsync(2000)
}

it('a voice counts stations and breaths', async () => {
  voices(true)
  await count(2, 6.5, 20)
  expect(said).toEqual(['1', '2', '3'])
  expect(tones).toEqual([])
})

it('what is too fast to say is clicked, and its tens are said', async () => {
  voices(true)
  await count(0.5, 10.2, 60)
  expect(said).toEqual(['10', '20'])
  expect(tones.length).toBe(18)
})

it('a voice that would need the network is not asked; clicks are heard instead', async () => {
  voices(false)
  await count(2, 4.5, 20)
  expect(said).toEqual([])
  expect(tones).toHaveLength(2)
})
