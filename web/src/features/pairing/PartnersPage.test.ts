import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import PartnersPage from './PartnersPage.vue'

const ask = vi.hoisted(() => vi.fn())
const shown = vi.hoisted(() => ({ now: undefined as unknown }))
vi.mock('@/api/client', () => {
  const call = (method: string) => (path: string) => ({ method, path })
  return { ask, api: { GET: call('GET'), POST: call('POST'), PUT: call('PUT') } }
})
vi.mock('@/features/register/useLabs', () => ({
  useLabs: () => ({
    register: ref({ labs: [] }),
    problem: ref(),
    loading: ref(false),
    again: vi.fn(),
    shown: ref(shown.now),
    chosen: ref(),
    place: ref(),
  }),
}))

beforeEach(() => {
  ask.mockReset()
  setActivePinia(createPinia())
})
const page = async () => {
  // The plan has not answered yet.
  ask.mockReturnValue(new Promise(() => {}))
  const p = mount(PartnersPage, { global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } } })
  await flushPromises()
  return p.text()
}

it('says that a term has no labs, and where they are made', async () => {
  shown.now = undefined
  expect(await page()).toContain('No lab in this term')
})
it('says nothing of it while the plan of a term that has some is on its way', async () => {
  shown.now = { week: 1, lab: 1 }
  expect(await page()).not.toContain('No lab in this term')
})
