import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import RetentionPanel from './RetentionPanel.vue'

const ask = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => {
  const call = (method: string) => (path: string, options?: unknown) => ({ method, path, options })
  return { ask, api: { GET: call('GET'), PUT: call('PUT'), DELETE: call('DELETE') } }
})
const RULES = [
  { kind: 'incidents', words: 'Incidents', months: 36 },
  { kind: 'trail', words: 'The trail' },
]

beforeEach(() => {
  ask.mockReset()
  setActivePinia(createPinia())
})

it('sends what was typed otherwise, and for ever where nothing is', async () => {
  ask.mockResolvedValue({ rules: RULES, going: [], noticeDays: 7 })
  const page = mount(RetentionPanel)
  await flushPromises()
  const [incidents, trail] = page.findAll('input')
  const save = page.find('form button')
  expect((incidents!.element as HTMLInputElement).value).toBe('36')
  expect(save.attributes('disabled')).toBeDefined()
  await trail!.setValue('24')
  await incidents!.setValue('36')
  await page.find('form').trigger('submit')
  await flushPromises()
  expect(ask.mock.lastCall![0]).toMatchObject({ options: { body: { months: { trail: 24 } } } })
  await incidents!.setValue(' ')
  await page.find('form').trigger('submit')
  await flushPromises()
  expect(ask.mock.lastCall![0].options.body.months).toEqual({ incidents: null })
})

it('says on which day what goes, and who holds what back', async () => {
  const going = { kind: 'incidents', item: 'a', name: 'Incident with Ana Quill', since: '2023-11-30' }
  ask.mockResolvedValueOnce({
    rules: RULES,
    noticeDays: 7,
    going: [
      { ...going, goesOn: '2026-12-09' },
      { ...going, item: 'b', heldBy: 'Marte Kjell', heldWhy: 'An insurer asked.' },
    ],
  })
  const page = mount(RetentionPanel)
  await flushPromises()
  const lines = page.findAll('li')
  expect(lines[0]!.text()).toContain('goes on 9 Dec 2026')
  expect(lines[1]!.text()).toContain('held back by Marte Kjell: An insurer asked.')
  ask.mockResolvedValueOnce({ rules: RULES, going: [], noticeDays: 7 })
  await lines[1]!.find('button').trigger('click')
  await flushPromises()
  expect(ask.mock.lastCall![0]).toMatchObject({
    method: 'DELETE',
    options: { params: { path: { kind: 'incidents', item: 'b' } } },
  })
  expect(page.text()).toContain('Nothing.')
})
