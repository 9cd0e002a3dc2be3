import { effectScope } from 'vue'
import { afterEach, expect, it } from 'vitest'
import { useFingerKeys } from './useFingerKeys'

const scope = effectScope()
afterEach(() => {
  scope.stop()
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
