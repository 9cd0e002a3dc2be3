import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import { useBeat, type Beating } from './useBeat'

let scope: EffectScope
let tones: { at: number; hertz: number }[]
let audio: { currentTime: number }
const beat = shallowRef<Beating>()

beforeEach(() => {
  localStorage.clear()
  tones = []
  audio = { currentTime: 100 }
  class Context {
    get currentTime() {
      return audio.currentTime
    }
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
        start: (at: number) => tones.push({ at, hertz: frequency.value }),
        stop: vi.fn(),
      }
    }
  }
  vi.stubGlobal('AudioContext', Context)
  beat.value = undefined
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})

/** The page's clock and the audio's run together, in ticks of `step` seconds. */
async function run(from: number, to: number, step: number, every = 0.5, lasts = 2) {
  for (let i = 0; from + i * step <= to + 1e-9; i++) {
    const worked = from + i * step
    audio.currentTime = 100 + worked
    beat.value = { worked, every, lasts }
    await nextTick()
  }
}

it('is silent until somebody asks', async () => {
  scope.run(() => useBeat(() => beat.value))
  await run(0, 3, 0.05)
  expect(tones).toEqual([])
})

it('clicks at every beat on the audio clock, and lower when the time is over', async () => {
  scope.run(() => (useBeat(() => beat.value).counting.value = 'clicks'))
  await run(0, 3, 0.07)
  expect(tones.map((t) => Math.round(t.at * 1000) / 1000)).toEqual([100.5, 101, 101.5, 102])
  expect(tones.map((t) => t.hertz)).toEqual([880, 880, 880, 440])
})

it('does not make up for what it slept through', async () => {
  scope.run(() => (useBeat(() => beat.value).counting.value = 'clicks'))
  await run(0, 0.1, 0.05)
  await run(60, 60.1, 0.05, 0.5, 120)
  expect(tones.filter((t) => t.at < 159.5)).toEqual([])
  expect(tones.length).toBeLessThanOrEqual(2)
})

it('begins anew with the next step', async () => {
  scope.run(() => (useBeat(() => beat.value).counting.value = 'clicks'))
  await run(0, 2.1, 0.05)
  tones = []
  await run(0, 0.6, 0.05)
  expect(tones).toHaveLength(1)
})
