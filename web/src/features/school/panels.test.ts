import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Component } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import AccessForm from './AccessForm.vue'
import BackupsPanel from './BackupsPanel.vue'
import DutiesPanel from './DutiesPanel.vue'
import PeoplePanel from './PeoplePanel.vue'
import TermsPanel from './TermsPanel.vue'
import TrailPanel from './TrailPanel.vue'

const get = vi.hoisted(() => vi.fn())
const post = vi.hoisted(() => vi.fn())
const put = vi.hoisted(() => vi.fn())
const del = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => ({
  api: { GET: get, POST: post, PUT: put, DELETE: del },
  ask: (p: Promise<unknown>) => p,
}))

const people = [
  { id: 'a', name: 'Ana', role: 'student' },
  { id: 'n', name: 'Nadia', role: 'instructor' },
]
const term = (id: string, name: string, archived = false) => ({
  id,
  name,
  cohort: 'Evening',
  startsOn: '2026-09-01',
  weeks: 15,
  week: 3.2,
  archived,
})
let terms = [term('t', 'Autumn')]
const session = () => ({ school: 'S', person: { id: 'n', name: 'Nadia', role: 'lead' }, terms })

async function panel(component: Component, role = 'lead') {
  setActivePinia(createPinia())
  const s = useSession()
  s.session = { ...session(), person: { id: 'n', name: 'Nadia', role } } as unknown as Schema['SessionView']
  s.catalogue = {
    regions: [{ id: 'neck', name: 'Neck' }],
    notes: [],
    zones: [],
  } as unknown as Schema['Catalogue']
  const p = mount(component, { global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } } })
  await flushPromises()
  return p
}
const press = async (p: Awaited<ReturnType<typeof panel>>, label: string) => {
  await p.find(`[aria-label="${label}"]`).trigger('click')
  await flushPromises()
}

beforeEach(() => {
  terms = [term('t', 'Autumn')]
  localStorage.clear()
  for (const f of [get, post, put, del]) f.mockReset()
  get.mockImplementation(async (path: string) =>
    path.endsWith('/people')
      ? people
      : path.endsWith('/duties')
        ? [{ account: 'n', name: 'Nadia', region: 'neck', task: 'teach' }]
        : path.endsWith('/substitutes')
          ? [{ week: 6, lab: 1, on: '2026-10-13', account: 's', name: 'Sefa Lund' }]
          : path.endsWith('/curriculum')
            ? { curriculum: { lessons: [{ region: 'neck' }] } }
            : path === '/api/session'
              ? session()
              : [],
  )
})

describe('people', () => {
  it('get a new password only when it is asked twice, and it is told once', async () => {
    const p = await panel(PeoplePanel)
    await press(p, 'New password for Ana')
    expect(post).not.toHaveBeenCalled()
    expect(p.text()).toContain('Sure? The old one ends')
    post.mockResolvedValueOnce({
      id: 'a',
      name: 'Ana',
      signIn: 'ana',
      role: 'student',
      password: 'aaaa-bbbb-cccc',
    })
    await press(p, 'New password for Ana')
    expect(p.text()).toContain('aaaa-bbbb-cccc')
    await p
      .findAll('button')
      .find((b) => b.text() === 'Handed out')!
      .trigger('click')
    expect(p.text()).not.toContain('aaaa-bbbb-cccc')
  })
  it('are taken out of the term only when it is asked twice, and never oneself', async () => {
    const p = await panel(PeoplePanel)
    expect(p.find('[aria-label="Take Nadia out of the term"]').exists()).toBe(false)
    await press(p, 'Take Ana out of the term')
    await press(p, 'New password for Ana')
    expect(del).not.toHaveBeenCalled()
    await press(p, 'Take Ana out of the term')
    del.mockResolvedValueOnce([])
    await press(p, 'Take Ana out of the term')
    expect(del.mock.calls[0]![1].params.path).toEqual({ term: 't', account: 'a' })
  })
  it('are added by the lead alone, and not to a term in the archive', async () => {
    expect((await panel(PeoplePanel)).find('textarea').exists()).toBe(true)
    const grader = await panel(PeoplePanel, 'grader')
    expect(grader.find('textarea').exists()).toBe(false)
    expect(grader.find('[aria-label="New password for Ana"]').exists()).toBe(false)
    terms = [term('t', 'Autumn', true)]
    expect((await panel(PeoplePanel)).text()).toContain('This term is in the archive: read only.')
  })
})

describe('terms', () => {
  it('that are made are worked in at once', async () => {
    const p = await panel(TermsPanel)
    const inputs = p.findAll('form input')
    await inputs[0]!.setValue('Spring')
    await inputs[1]!.setValue('Morning')
    await inputs[2]!.setValue('2027-01-04')
    await inputs[3]!.setValue('12')
    terms = [term('t', 'Autumn'), term('s', 'Spring')]
    post.mockResolvedValueOnce(terms)
    await p.find('form').trigger('submit')
    await flushPromises()
    expect(post.mock.calls[0]![1].body).toEqual({
      name: 'Spring',
      cohort: 'Morning',
      startsOn: '2027-01-04',
      weeks: 12,
    })
    expect(useSession().term?.id).toBe('s')
    await press(p, 'Work in Autumn')
    expect(useSession().term?.id).toBe('t')
  })
  it('go into the archive and out of it', async () => {
    const p = await panel(TermsPanel)
    terms = [term('t', 'Autumn', true)]
    put.mockResolvedValueOnce(terms)
    await press(p, 'Put Autumn into the archive')
    expect(put.mock.calls[0]![1].body).toEqual({ archived: true })
    expect(p.text()).toContain('in the archive')
    expect(p.find('[aria-label="Change Autumn"]').exists()).toBe(false)
    expect(p.find('[aria-label="Take Autumn out of the archive"]').exists()).toBe(true)
  })
  it('that cannot be are refused with every fault', async () => {
    const p = await panel(TermsPanel)
    post.mockRejectedValueOnce({
      detail: 'x',
      faults: [{ field: 'weeks', value: '99', reason: 'must be 1 to 60' }],
    })
    await p.find('form').trigger('submit')
    await flushPromises()
    expect(p.find('[role=alert]').text()).toBe('weeks “99” must be 1 to 60')
  })
})

describe('duties', () => {
  it('are set and taken back with one touch by the lead', async () => {
    const p = await panel(DutiesPanel)
    const teaches = () => p.find('[aria-label="Nadia teaches Neck"]')
    expect(teaches().attributes('aria-pressed')).toBe('true')
    put.mockResolvedValueOnce([])
    await teaches().trigger('click')
    await flushPromises()
    expect(put.mock.calls[0]![1].body).toEqual({ duties: [] })
    expect(teaches().attributes('aria-pressed')).toBe('false')
  })
  it('are only read by others, and are of staff alone', async () => {
    const p = await panel(DutiesPanel, 'instructor')
    expect(p.findAll('.acts button').every((b) => b.attributes('disabled') !== undefined)).toBe(true)
    expect(p.find('thead').text()).not.toContain('Ana')
  })
  it('say which lab somebody else takes, and let the lead alone ask another', async () => {
    const p = await panel(DutiesPanel)
    expect(p.find('.taken').text()).toBe('Week 6, lab 1Sefa Lund, on Tue 13 Oct')
    expect(p.text()).toContain('Ask a substitute for a lab')
    expect((await panel(DutiesPanel, 'instructor')).text()).not.toContain('Ask a substitute')
  })
})

describe('the backups', () => {
  const kept = {
    file: 'school-20261127-212852.dump',
    bytes: 434311,
    provenAt: '2026-11-27T21:28:52Z',
    words: 'S: 15 people, 132 practicals with 14306 events, schema 12',
  }
  it('say when the last was proven, and what it holds', async () => {
    get.mockResolvedValue({ folder: '/srv/dumps', kept: [kept] })
    const page = await panel(BackupsPanel)
    expect(page.text()).toContain('held the same rows')
    expect(page.find('tbody').text()).toContain('132 practicals with 14306 events')
    expect(page.find('tbody').text()).toContain('435 kB')
  })
  it('say that there are none, and why', async () => {
    get.mockResolvedValue({ kept: [] })
    const page = await panel(BackupsPanel)
    expect(page.find('[role=alert]').text()).toContain('This server keeps no backups')
    expect(page.find('button').exists()).toBe(false)
  })
  it('say why one could not be made', async () => {
    get.mockResolvedValue({ folder: '/srv/dumps', kept: [] })
    post.mockRejectedValue({ status: 503, detail: 'No space left.', faults: [] })
    const page = await panel(BackupsPanel)
    await page.find('button').trigger('click')
    await flushPromises()
    expect(page.find('[role=alert]').text()).toBe('The last try failed: No space left.')
  })
})

describe('the trail', () => {
  const line = (id: number, what: string) => ({
    id,
    at: '2026-11-27T21:28:52Z',
    by: 'Nadia',
    what,
    detail: '',
  })
  it('marks what was refused and goes back a page at a time', async () => {
    get.mockResolvedValueOnce({
      lines: Array.from({ length: 100 }, (_, i) => line(200 - i, i ? 'signed in' : 'signed in: refused')),
      next: '101',
    })
    const page = await panel(TrailPanel)
    expect(page.findAll('tbody tr')).toHaveLength(100)
    expect(page.findAll('td.bad').map((c) => c.text())).toEqual(['signed in: refused'])
    get.mockResolvedValueOnce({ lines: [line(100, 'made the school')] })
    await page.find('button').trigger('click')
    await flushPromises()
    expect(get.mock.lastCall?.[1]).toEqual({ params: { query: { before: 101, words: '' } } })
    expect(page.findAll('tbody tr')).toHaveLength(101)
    expect(page.find('button').exists()).toBe(false)
  })
  it('says when no line has the words', async () => {
    get.mockResolvedValue({ lines: [] })
    const page = await panel(TrailPanel)
    expect(page.text()).toContain('Nothing was done yet.')
  })
})

describe('a sign-in', () => {
  const state = { id: 'a', name: 'Ana', signIn: 'ana', role: 'student', disabled: false }
  const form = async (self = false) => {
    get.mockResolvedValue([state])
    const page = mount(AccessForm, { props: { term: 't', person: people[0] as Schema['Person'], self } })
    await flushPromises()
    return page
  }
  it('is shut out with the day that stands there', async () => {
    put.mockResolvedValue({ ...state, disabled: true })
    const page = await form()
    await page.find('input').setValue('2026-12-20')
    await page
      .findAll('button')
      .find((b) => b.text() === 'Shut out now')!
      .trigger('click')
    expect(put.mock.lastCall).toEqual([
      '/api/people/{id}/access',
      { params: { path: { id: 'a' } }, body: { disabled: true, expiresOn: '2026-12-20' } },
    ])
  })
  it('of oneself is left to another', async () => {
    const page = await form(true)
    expect(page.text()).toContain('This is you.')
    expect(page.findAll('button')).toHaveLength(1)
  })
})
