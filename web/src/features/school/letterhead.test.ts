import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import LetterheadPanel from './LetterheadPanel.vue'

const ask = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => {
  const call = (method: string) => (path: string, options?: unknown) => ({ method, path, options })
  return { ask, api: { GET: call('GET'), PUT: call('PUT'), DELETE: call('DELETE') } }
})

beforeEach(() => {
  ask.mockReset()
  setActivePinia(createPinia())
})

it('shows the lines as they are typed, and sends those that hold something', async () => {
  ask.mockResolvedValueOnce({ lines: ['Mole Road 3'] })
  const page = mount(LetterheadPanel)
  await flushPromises()
  const save = page.find('form .main')
  expect(save.attributes('disabled')).toBeDefined()
  expect(page.find('img').exists()).toBe(false)
  await page.find('textarea').setValue('Mole Road 3\n\n  Licence SH-204 ')
  expect(page.findAll('.head .small').map((l) => l.text())).toEqual(['Mole Road 3', 'Licence SH-204'])
  ask.mockResolvedValueOnce({ lines: ['Mole Road 3', 'Licence SH-204'], logo: 'data:image/jpeg;base64,AA' })
  await page.find('form').trigger('submit')
  await flushPromises()
  expect(ask.mock.lastCall![0]).toMatchObject({
    method: 'PUT',
    options: { body: { lines: ['Mole Road 3', 'Licence SH-204'] } },
  })
  expect(save.attributes('disabled')).toBeDefined()
  expect(page.find('img').attributes('src')).toBe('data:image/jpeg;base64,AA')
})

it('sends a logo as it is, takes it away, and says what was wrong with one', async () => {
  ask.mockResolvedValueOnce({ lines: [], logo: 'abc' })
  const page = mount(LetterheadPanel)
  await flushPromises()
  const input = page.find('input[type=file]')
  const file = new File(['x'], 'logo.png')
  Object.defineProperty(input.element, 'files', { value: [file] })
  ask.mockRejectedValueOnce({ status: 422, code: 'no-picture', detail: 'This is no picture.', faults: [] })
  await input.trigger('change')
  await flushPromises()
  expect(ask.mock.lastCall![0].options.body).toBe(file)
  expect(page.text()).toContain('This is no picture.')
  ask.mockResolvedValueOnce({ lines: [] })
  await page
    .findAll('button')
    .find((b) => b.text() === 'Take the logo away')!
    .trigger('click')
  await flushPromises()
  expect(ask.mock.lastCall![0].method).toBe('DELETE')
  expect(page.find('img').exists()).toBe(false)
})
