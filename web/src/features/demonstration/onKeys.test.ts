import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { onKeys } from './onKeys'

let scope: EffectScope
const run = vi.fn()
beforeEach(() => {
  run.mockReset()
  document.body.innerHTML = '<a href="#"></a><button></button>'
  scope = effectScope()
  scope.run(() => onKeys([' ', 'Enter', 'ArrowRight'], run))
})
afterEach(() => scope.stop())

it.each([
  ['body', 'Enter', 1],
  ['body', ' ', 1],
  ['a', 'Enter', 0],
  ['a', ' ', 1],
  ['button', 'Enter', 0],
  ['button', ' ', 0],
  ['button', 'ArrowRight', 1],
])('with the focus on %s, %j goes on %i times', (on, key, times) => {
  document.querySelector(on)!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
  expect(run).toHaveBeenCalledTimes(times)
})
