import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { undoOffer } from '@/parts/undoOffer'
import SubstituteForm from './SubstituteForm.vue'

const calls = vi.hoisted(() => ({ GET: vi.fn(), PUT: vi.fn(), POST: vi.fn(), DELETE: vi.fn() }))
vi.mock('@/api/client', () => ({ api: calls, ask: (x: unknown) => x }))

const view = (more: Partial<Schema['BriefingView']> = {}): Schema['BriefingView'] =>
  ({
    week: 6,
    lab: 1,
    onDay: '2026-10-13',
    minutes: 120,
    room: 'Boathouse',
    teachers: ['Nadia Reef'],
    lessons: [],
    lately: [],
    students: [],
    ...more,
  }) as Schema['BriefingView']
const sefa = { week: 6, lab: 1, on: '2026-10-13', account: 's', name: 'Sefa Lund' }

async function form(of: Schema['BriefingView'], role: string, id = 'me') {
  useSession().session = { person: { id, name: 'Me', role }, terms: [], takes: [] } as never
  const w = mount(SubstituteForm, { props: { term: 't', view: of } })
  await flushPromises()
  const press = async (name: string) => {
    await w
      .findAll('button')
      .find((b) => b.text() === name)!
      .trigger('click')
    await flushPromises()
  }
  return { w, press }
}

describe('who takes a lab', () => {
  beforeEach(() => {
    setActivePinia(createPinia())
    for (const f of Object.values(calls)) f.mockReset()
    calls.GET.mockResolvedValue([{ id: 's', name: 'Sefa Lund', role: 'grader' }])
  })

  it('is its teacher, and nobody but the lead can change that', async () => {
    const { w } = await form(view(), 'instructor')
    expect(w.text()).toContain('Nadia Reef')
    expect(w.findAll('button')).toHaveLength(0)
    expect(calls.GET).not.toHaveBeenCalled()
  })
  it('is given to somebody of the school', async () => {
    const { w, press } = await form(view(), 'lead')
    await press('Ask a substitute')
    await w.find('select').setValue('s')
    await w.find('form').trigger('submit')
    await flushPromises()
    expect(calls.PUT.mock.calls[0]![1]).toEqual({
      params: { path: { term: 't', week: 6, lab: 1 } },
      body: { account: 's', on: undefined },
    })
    expect(w.emitted('changed')).toHaveLength(1)
  })
  it('is given to somebody from outside, whose password is told once', async () => {
    const { w, press } = await form(view(), 'lead')
    calls.POST.mockResolvedValueOnce({
      id: 'o',
      name: 'Odd',
      signIn: 'odd',
      role: 'grader',
      password: 'reef-mast-9',
    })
    await press('Ask a substitute')
    await press('From outside')
    const [name, signIn] = w.findAll('input')
    await name!.setValue('Odd')
    await signIn!.setValue('odd')
    await w.find('form').trigger('submit')
    await flushPromises()
    expect(calls.POST.mock.calls[0]![1].body).toEqual({ name: 'Odd', signIn: 'odd', on: undefined })
    expect(w.text()).toContain('reef-mast-9')
    await press('Handed out')
    expect(w.text()).not.toContain('reef-mast-9')
  })
  it('asks for the day where the plan gives labs no time', async () => {
    const { w, press } = await form(view({ onDay: undefined }), 'lead')
    await press('Ask a substitute')
    await w.find('select').setValue('s')
    await w.find('input[type=date]').setValue('2026-10-14')
    await w.find('form').trigger('submit')
    await flushPromises()
    expect(calls.PUT.mock.calls[0]![1].body).toEqual({ account: 's', on: '2026-10-14' })
  })
  it('says to a substitute what is theirs, and when the plan has moved the lab', async () => {
    const mine = await form(view({ substitute: sefa }), 'grader', 's')
    expect(mine.w.text()).toContain('You take this lab for Nadia Reef.')
    expect(mine.w.find('[role=alert]').exists()).toBe(false)
    const moved = await form(view({ substitute: sefa, onDay: '2026-10-15' }), 'lead')
    expect(moved.w.find('[role=alert]').text()).toContain('The plan has this lab on Thu 15 Oct now.')
  })
  it('is taken back, and given again by undo', async () => {
    const { press } = await form(view({ substitute: sefa }), 'lead')
    await press('Take it back')
    expect(calls.DELETE).toHaveBeenCalledTimes(1)
    await undoOffer.value!.undo()
    expect(calls.PUT.mock.calls[0]![1].body.account).toBe('s')
  })
})
