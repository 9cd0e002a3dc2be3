import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { serverRules } from '@/api/rules'
import { renewWhenOutdated } from './newerApp'
import { forgetPageCore, loadPageCore, type Port } from './pageCore'

const page = { template: '<p />' }
const load = vi.fn()
/** A worker that says its rules and nothing else. */
function speaking(version: string): Port {
  return {
    addEventListener: ((kind: string, on: (e: unknown) => void) => {
      if (kind === 'message') queueMicrotask(() => on({ data: { version } }))
    }) as Port['addEventListener'],
    postMessage: () => undefined,
  }
}
async function opened() {
  const paths = ['/', '/plan', '/floor']
  const router = createRouter({
    history: createMemoryHistory(),
    routes: paths.map((path) => ({ path, component: page })),
  })
  renewWhenOutdated(router, load)
  await loadPageCore(() => speaking('rules-1'))
  await router.push('/')
  return router
}
beforeEach(() => {
  load.mockReset()
  sessionStorage.clear()
  serverRules.value = 'rules-1'
})
afterEach(forgetPageCore)

it('a page by the rules of the server stays', async () => {
  const router = await opened()
  await router.push('/plan')
  expect(load).not.toHaveBeenCalled()
  expect(router.currentRoute.value.path).toBe('/plan')
})

it('one by others is loaded anew with the next page that is opened, once', async () => {
  const router = await opened()
  serverRules.value = 'rules-2'
  await router.push('/plan?x=1')
  expect(load.mock.calls).toEqual([['/plan?x=1']])
  expect(router.currentRoute.value.path).toBe('/')
  // It stayed as it was: that is no reason to load for ever.
  await router.push('/plan')
  expect(load).toHaveBeenCalledTimes(1)
  expect(router.currentRoute.value.path).toBe('/plan')
  serverRules.value = 'rules-3'
  await router.push('/floor')
  expect(load).toHaveBeenCalledTimes(2)
})

it('what is opened on the same page loads nothing', async () => {
  const router = await opened()
  serverRules.value = 'rules-2'
  await router.push('/?tab=checks')
  expect(load).not.toHaveBeenCalled()
})

it('fetches the other app at once', async () => {
  const update = vi.fn().mockResolvedValue(undefined)
  vi.stubGlobal('navigator', { serviceWorker: { getRegistration: async () => ({ update }) } })
  await opened()
  serverRules.value = 'rules-2'
  await vi.waitFor(() => expect(update).toHaveBeenCalled())
  vi.unstubAllGlobals()
})
