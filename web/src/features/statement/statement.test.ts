import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { sealOf } from './fileSeal'
import { createPinia, setActivePinia } from 'pinia'
import { useSession } from '@/features/session/useSession'
import InitialsForm from './InitialsForm.vue'
import StatementsPage from './StatementsPage.vue'
import StatementsPanel from './StatementsPanel.vue'
import VerifyPage from './VerifyPage.vue'

const ask = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => {
  const call = (method: string) => (path: string, options?: unknown) => ({ method, path, options })
  return { ask, api: { GET: call('GET'), POST: call('POST'), PUT: call('PUT') } }
})

const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer

const VIEW: Schema['VerifyView'] = {
  known: true,
  school: 'Harbour School',
  code: 'ABCD-EFGH-JKMN',
  issuedOn: '2026-11-03',
  file: 'as-handed-out',
  signedBy: ['Nadia Reef'],
  changes: [],
  outdated: false,
}

beforeEach(() => {
  ask.mockReset()
  setActivePinia(createPinia())
  const person = { id: 'n', name: 'Nadia Reef', role: 'instructor' as const }
  useSession().session = { person } as Schema['SessionView']
})

describe('a file of a statement', () => {
  // FIPS 180-4, example of SHA-256 for "abc" (from memory).
  it('is known by its digest', async () => {
    expect(await sealOf(bytes('abc'))).toEqual({
      digest: 'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    })
  })
  it('tells the code that it bears', async () => {
    const seal = await sealOf(bytes('%PDF /Keywords (QMXD-NKM9-AD2V) and ABCD-EFGH'))
    expect(seal.code).toBe('QMXD-NKM9-AD2V')
    expect((await sealOf(bytes('ABCD-EFGH-JKLM'))).code).toBeUndefined()
  })
})

describe('what is said of it', () => {
  async function said(view: Schema['VerifyView']) {
    ask.mockResolvedValue(view)
    const page = mount(VerifyPage)
    await page.find('input[placeholder]').setValue(' abcd-efgh-jkmn ')
    await page.find('form').trigger('submit')
    await flushPromises()
    return page.find('[role=status]').text()
  }
  it('is that it is as it was handed out', async () => {
    const text = await said(VIEW)
    expect(text).toContain('This file is as Harbour School handed it out.')
    expect(text).toContain('Issued 3 Nov 2026; signed by Nadia Reef.')
    expect(text).toContain('Nothing of what it says was changed since.')
    expect(ask.mock.calls[0]![0]).toMatchObject({
      method: 'POST',
      path: '/api/verify',
      options: { body: { code: 'abcd-efgh-jkmn' } },
    })
  })
  it('is that it was changed, and what has changed since', async () => {
    const text = await said({
      ...VIEW,
      file: 'changed',
      changes: ['It was awarded anew.'],
      outdated: true,
      signedBy: [],
    })
    expect(text).toContain('it is not as Harbour School handed it out')
    expect(text).toContain('signed by nobody yet.')
    expect(text).toContain('It is no longer so as it says:')
    expect(text).toContain('It was awarded anew.')
  })
  it('is what came after it where that changes nothing of it', async () => {
    const text = await said({ ...VIEW, file: 'not-asked', changes: ['A practical came after it.'] })
    expect(text).toContain('Harbour School issued a statement with this code.')
    expect(text).toContain('What came after it:')
  })
  it('is that nobody knows it', async () => {
    expect(await said({ ...VIEW, known: false })).toContain('Harbour School knows no such statement.')
  })
})

describe('statements of a student', () => {
  const LINE: Schema['StatementLine'] = {
    id: 'st',
    kind: 'results',
    code: 'ABCD-EFGH-JKMN',
    student: 'ana',
    name: 'Ana',
    issuedAt: '2026-11-03T10:00:00Z',
    issuedBy: 'Nadia Reef',
    signed: [],
    changes: ['It was awarded anew.'],
    outdated: true,
  }
  const stubs = { global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } } }
  it('are theirs alone, and are signed and issued', async () => {
    ask.mockResolvedValue([LINE, { ...LINE, id: 'other', student: 'bram' }])
    const panel = mount(StatementsPanel, { props: { term: 't', student: 'ana' }, ...stubs })
    await flushPromises()
    expect(panel.findAll('li')).toHaveLength(1)
    expect(panel.text()).toContain('not signed')
    expect(panel.text()).toContain('It was awarded anew.')
    await panel.find('li button').trigger('click')
    await flushPromises()
    expect(ask.mock.calls[1]![0]).toMatchObject({
      path: '/api/statements/{id}/signature',
      options: { params: { path: { id: 'st' } } },
    })
    await panel.find('.main').trigger('click')
    await flushPromises()
    expect(ask.mock.calls[3]![0]).toMatchObject({
      path: '/api/terms/{term}/statements/{student}',
      options: { params: { path: { term: 't', student: 'ana' } } },
    })
  })
  it('are signed again only by who means it', async () => {
    ask.mockResolvedValue([
      { ...LINE, signed: [{ name: 'Nadia Reef', initials: 'NR', on: '2026-11-04', times: 1 }] },
    ])
    const panel = mount(StatementsPanel, { props: { term: 't', student: 'ana' }, ...stubs })
    await flushPromises()
    const button = panel.find('li button')
    expect(button.text()).toBe('Sign again')
    await button.trigger('click')
    await flushPromises()
    expect(ask).toHaveBeenCalledTimes(1)
    expect(button.text()).toBe('Really sign again')
    await button.trigger('click')
    await flushPromises()
    expect(ask.mock.calls[1]![0]).toMatchObject({ path: '/api/statements/{id}/signature' })
    expect(button.text()).toBe('Sign again')
  })
  it('are issued and signed by instructors, and read by graders', async () => {
    useSession().session = { person: { id: 'o', name: 'Olle', role: 'grader' } } as Schema['SessionView']
    ask.mockResolvedValue([LINE])
    const panel = mount(StatementsPanel, { props: { term: 't', student: 'ana' }, ...stubs })
    await flushPromises()
    expect(panel.findAll('li')).toHaveLength(1)
    expect(panel.findAll('button')).toHaveLength(0)
  })
  it('are read by the student, and nothing is shown where there are none', async () => {
    ask.mockResolvedValue([LINE])
    const panel = mount(StatementsPanel, stubs)
    await flushPromises()
    expect(ask.mock.calls[0]![0]).toMatchObject({ path: '/api/me/statements' })
    expect(panel.findAll('button')).toHaveLength(0)
    ask.mockResolvedValue([])
    const none = mount(StatementsPanel, stubs)
    await flushPromises()
    expect(none.find('section').exists()).toBe(false)
  })
})

describe('initials', () => {
  it('are kept as they were typed and drawn', async () => {
    ask.mockResolvedValue({})
    const form = mount(InitialsForm)
    await flushPromises()
    expect(form.find('.main').attributes('disabled')).toBeDefined()
    await form.find('input').setValue('NR')
    const svg = form.find('svg')
    Object.assign(svg.element, {
      setPointerCapture: () => {},
      getBoundingClientRect: () => ({ left: 10, top: 20, width: 200, height: 100 }),
    })
    const point = (x: number, y: number) => ({ clientX: x, clientY: y, pointerId: 1 })
    await svg.trigger('pointerdown', point(30, 30))
    await svg.trigger('pointermove', point(30.5, 30))
    await svg.trigger('pointermove', point(110, 500))
    await svg.trigger('pointerup')
    await svg.trigger('pointermove', point(0, 0))
    await form.find('form').trigger('submit')
    await flushPromises()
    expect(ask.mock.calls[1]![0]).toMatchObject({
      method: 'PUT',
      options: { body: { typed: 'NR', drawn: [[0.1, 0.1, 0.5, 1]] } },
    })
  })
})

describe('the papers of a cohort', () => {
  const paper = (student: string, more: object = {}) => ({
    id: `p-${student}`,
    kind: 'results',
    code: 'ABCD-EFGH-JKMN',
    student,
    name: student,
    issuedAt: '2026-11-03T10:00:00Z',
    issuedBy: 'Nadia Reef',
    signed: [],
    changes: [],
    outdated: false,
    ...more,
  })
  const people = ['ana', 'bram', 'cleo'].map((id) => ({ id, name: id, role: 'student' }))
  const stubs = { global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } } }
  const shown = async (papers: object[]) => {
    const terms = [{ id: 't', name: 'Autumn', cohort: 'Evening' }]
    useSession().session = { ...useSession().session!, terms } as unknown as Schema['SessionView']
    ask.mockResolvedValueOnce([...people, { id: 'n', name: 'Nadia', role: 'instructor' }])
    ask.mockResolvedValueOnce(papers)
    const page = mount(StatementsPage, stubs)
    await flushPromises()
    return page
  }
  it('are issued to whom they lack, one after the other, and who has none to state is left out with the reason', async () => {
    const page = await shown([paper('ana'), paper('bram', { outdated: true, changes: ['Awarded anew.'] })])
    expect(page.findAll('tbody tr').map((r) => r.findAll('td')[1]!.text())).toEqual([
      '3 Nov 2026, PDF',
      '3 Nov 2026, PDFAwarded anew.',
      'none yet',
    ])
    let answer: (of: object) => void = () => undefined
    ask.mockReturnValueOnce(new Promise((resolve) => (answer = resolve)))
    ask.mockRejectedValueOnce({ status: 409, detail: 'Nothing to state.' })
    await page
      .findAll('button')
      .find((b) => b.text() === 'Issue 2')!
      .trigger('click')
    expect(page.find('[role=status]').text()).toBe('0 of 2')
    answer(paper('bram', { id: 'new' }))
    await flushPromises()
    expect(ask.mock.calls.slice(2).map((c) => c[0].options.params.path.student)).toEqual(['bram', 'cleo'])
    expect(page.text()).toContain('1 student left out')
    expect(page.findAll('tbody tr').map((r) => r.findAll('td')[1]!.text())).toEqual([
      '3 Nov 2026, PDF',
      '3 Nov 2026, PDF',
      'Nothing to state.',
    ])
    expect(page.text()).toContain('Sign 2')
    expect(page.text()).toContain('Take 2 papers as one file')
  })
  it('stop where somebody says so', async () => {
    const page = await shown([])
    const answers: ((of: object) => void)[] = []
    ask.mockImplementation(() => new Promise((resolve) => answers.push(resolve)))
    await page
      .findAll('button')
      .find((b) => b.text() === 'Issue 3')!
      .trigger('click')
    await page
      .findAll('button')
      .find((b) => b.text() === 'Stop here')!
      .trigger('click')
    answers[0]!(paper('ana'))
    await flushPromises()
    expect(answers).toHaveLength(1)
    expect(page.text()).toContain('Issue 2')
  })
})
