import { effectScope } from 'vue'
import { afterEach, expect, it } from 'vitest'
import { useFingerKeys } from './useFingerKeys'

let scope = effectScope()
afterEach(() => {
  scope.stop()
  scope = effectScope()
  document.body.innerHTML = ''
})

it('takes keys again as soon as a dialog closes, while it still fades out', () => {
  const opened: string[] = []
  scope.run(() => useFingerKeys({ finger: (id) => opened.push(id), key: () => false }))
  document.body.innerHTML =
    '<div class="v-overlay v-overlay--active" role="dialog"><div role="dialog">Handset</div></div>'
  const press = () => window.dispatchEvent(new KeyboardEvent('keydown', { key: 's' }))
  press()
  expect(opened).toEqual([])
  document.querySelector('.v-overlay')!.classList.remove('v-overlay--active')
  press()
  expect(opened).toEqual(['communication'])
  document.body.innerHTML = '<div role="dialog">A panel of the page</div>'
  press()
  expect(opened).toEqual(['communication'])
})

it('takes a key that is held down once, and again once it was let go', () => {
  const opened: string[] = []
  const typed: string[] = []
  scope.run(() =>
    useFingerKeys({
      finger: (id) => opened.push(id),
      key: (k) => typed.push(k) > 0,
      up: (k) => typed.push(`-${k}`),
    }),
  )
  const down = (key: string, repeat: boolean) =>
    window.dispatchEvent(new KeyboardEvent('keydown', { key, repeat, cancelable: true }))
  for (const repeat of [false, true, true]) {
    down('s', repeat)
    down('7', repeat)
  }
  window.dispatchEvent(new KeyboardEvent('keyup', { key: '7' }))
  down('7', false)
  expect(opened).toEqual(['communication'])
  expect(typed).toEqual(['7', '-7', '7'])
})
