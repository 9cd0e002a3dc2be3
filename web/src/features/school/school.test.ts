import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import ClassListForm from './ClassListForm.vue'
import NotesForm from './NotesForm.vue'
import SignInSheet from './SignInSheet.vue'

const get = vi.hoisted(() => vi.fn())
const post = vi.hoisted(() => vi.fn())
const del = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => ({
  api: { GET: get, POST: post, DELETE: del },
  ask: (p: Promise<unknown>) => p,
}))

beforeEach(() => {
  setActivePinia(createPinia())
  get.mockReset()
  post.mockReset()
  del.mockReset()
  useSession().catalogue = {
    notes: [
      { id: 'pregnant', name: 'pregnant', local: false },
      { id: 'spare', name: 'not to be touched', local: true },
    ],
    zones: [
      { id: 'calf', name: 'Calf', paired: true },
      { id: 'spine', name: 'Spinous processes', paired: false },
    ],
  } as unknown as Schema['Catalogue']
})

describe('a class list', () => {
  it('shows what it does before it is taken', async () => {
    const form = mount(ClassListForm, { props: { term: 't' } })
    post.mockResolvedValueOnce([
      { row: 1, name: 'Ana', signIn: 'ana', role: 'student', isNew: true, inTerm: false },
      { row: 2, name: 'Bram', signIn: 'bram', role: 'student', isNew: false, inTerm: true },
    ])
    await form.find('textarea').setValue('Ana\nBram,bram')
    await form.findAll('button')[0]!.trigger('click')
    await flushPromises()
    expect(form.text()).toContain('ana, student, new')
    expect(form.text()).toContain('is here already')
    post.mockResolvedValueOnce([{ id: '1', name: 'Ana', signIn: 'ana', role: 'student', password: 'x' }])
    await form.findAll('button').at(-1)!.trigger('click')
    await flushPromises()
    expect(form.emitted('taken')![0]![0]).toHaveLength(1)
    expect(form.find('textarea').element.value).toBe('')
  })
  it('keeps what was typed and says every fault', async () => {
    const form = mount(ClassListForm, { props: { term: 't' } })
    post.mockRejectedValueOnce({
      detail: 'x',
      faults: [{ field: 'row 2, role', value: 'pilot', reason: 'must be student' }],
    })
    await form.find('textarea').setValue('Ana\nBram,,pilot')
    await form.findAll('button')[0]!.trigger('click')
    await flushPromises()
    expect(form.find('[role=alert]').text()).toContain('row 2, role “pilot” must be student')
    expect(form.find('textarea').element.value).toContain('pilot')
  })
})

describe('new sign-ins', () => {
  it('go out as a table that a spreadsheet reads', () => {
    const sheet = mount(SignInSheet, {
      props: {
        sheets: [
          { id: '1', name: 'Vale, "Tob"', signIn: 'tob', role: 'student', password: 'aaaa-bbbb-cccc' },
          { id: '2', name: 'Ana', signIn: 'ana', role: 'student' },
        ] as Schema['SignInSheet'][],
      },
    })
    const csv = decodeURIComponent(sheet.find('a').attributes('href')!.split(',').slice(1).join(','))
    expect(csv).toBe('name,sign-in,password\r\n"Vale, ""Tob""",tob,aaaa-bbbb-cccc\r\nAna,ana,')
    expect(sheet.text()).toContain('as before')
  })
})

describe('body notes', () => {
  const person = { id: 'p', name: 'Ana', role: 'student' } as Schema['Person']
  it('ask for a zone only where one is meant, and for a side where there are two', async () => {
    get.mockResolvedValue([])
    const form = mount(NotesForm, { props: { person } })
    await flushPromises()
    expect(form.text()).toContain('Nothing to be spared.')
    await form.find('select').setValue('pregnant')
    expect(form.findAll('select')).toHaveLength(1)
    await form.find('select').setValue('spare')
    await form.findAll('select')[1]!.setValue('spine')
    expect(form.findAll('select')).toHaveLength(2)
    await form.findAll('select')[1]!.setValue('calf')
    await form.findAll('select')[2]!.setValue('left')
    post.mockResolvedValueOnce([{ id: 'n', kind: 'spare', zone: 'calf', side: 'left' }])
    await form.find('form').trigger('submit')
    await flushPromises()
    expect(post.mock.calls[0]![1].body).toEqual({
      kind: 'spare',
      zone: 'calf',
      side: 'left',
      until: undefined,
    })
    expect(form.text()).toContain('not to be touched: left calf')
  })
  it('are only read by the one they are about', async () => {
    get.mockResolvedValue([{ id: 'n', kind: 'pregnant' }])
    const form = mount(NotesForm, { props: { person, readonly: true } })
    await flushPromises()
    expect(form.findAll('button')).toHaveLength(0)
    expect(form.text()).toContain('What is kept about your body')
  })
})
