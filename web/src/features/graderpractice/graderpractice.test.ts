import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import DutyShut from './DutyShut.vue'
import GradersPanel from './GradersPanel.vue'
import PracticeCompared from './PracticeCompared.vue'

const ask = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => {
  const call = (method: string) => (path: string, options?: unknown) => ({ method, path, options })
  return { ask, api: { GET: call('GET'), PUT: call('PUT'), DELETE: call('DELETE') } }
})
const link = { global: { stubs: { RouterLink: { props: ['to'], template: '<a :href="to"><slot /></a>' } } } }

const COMPARED: Schema['PracticeCompared'] = {
  each: [
    { criterion: 'pressure', school: 61, own: 65, by: 4, close: true, sameBand: true },
    { criterion: 'draping', school: 61, own: 90, by: 29, close: false, sameBand: false },
  ],
  bias: 16.5,
  apart: 16.5,
  close: 1,
  sentence: 'Close to the school in 1 of 2. Draping: 29 points milder.',
  words: 'The sheet held.',
  at: '2026-12-02T09:00:00Z',
}

beforeEach(() => {
  ask.mockReset()
  setActivePinia(createPinia())
})
const signIn = (role: 'grader' | 'lead') =>
  (useSession().session = { person: { id: 'w', name: 'Wim', role } } as unknown as Schema['SessionView'])

describe('a new grader’s practice', () => {
  it('lays marks beside the school’s, and says which are far', () => {
    const page = mount(PracticeCompared, { props: { of: COMPARED } })
    const rows = page.findAll('tbody tr')
    expect(
      rows.map((r) =>
        r
          .findAll('td')
          .slice(0, 2)
          .map((c) => c.text()),
      ),
    ).toEqual([
      ['61', '65'],
      ['61', '90'],
    ])
    expect(rows.map((r) => r.find('.far').exists())).toEqual([false, true])
    const gap = rows[1]!.find('.gap').attributes()
    expect([gap.x1, gap.x2]).toEqual(['61', '90'])
  })
  it('is shown to a grader whose duty is shut, and to nobody else', async () => {
    signIn('grader')
    ask.mockResolvedValueOnce({
      shut: 'Mark it first.',
      graders: [],
      runs: [{ id: 'r', title: 'Calves', sequence: 'Calves' }],
    })
    const page = mount(DutyShut, link)
    await flushPromises()
    expect(page.find('a').attributes('href')).toBe('/practice/r')
    expect(page.text()).toContain('Mark it first.')
    signIn('lead')
    const none = mount(DutyShut, link)
    await flushPromises()
    expect(none.text()).toBe('')
    expect(ask).toHaveBeenCalledTimes(1)
  })
  it('is decided upon by the lead', async () => {
    const grader = {
      id: 'w',
      name: 'Wim',
      graded: false,
      marked: [{ run: 'r', title: 'Calves', compared: COMPARED }],
    }
    ask.mockResolvedValueOnce({ runs: [], graders: [{ ...grader, open: false }] })
    const page = mount(GradersPanel, link)
    await flushPromises()
    expect(page.text()).toContain('duty shut')
    expect(page.text()).toContain('Draping: 29 points milder.')
    ask.mockResolvedValueOnce({
      runs: [],
      graders: [{ ...grader, open: true, decidedBy: 'Marte Kjell', decidedAt: '2026-12-02T09:00:00Z' }],
    })
    await page.findAll('button').at(-1)!.trigger('click')
    await flushPromises()
    expect(ask.mock.lastCall![0]).toMatchObject({
      path: '/api/graders/{account}/duty',
      options: { params: { path: { account: 'w' } }, body: { open: true } },
    })
    expect(page.text()).toContain('duty open, by Marte Kjell on Wed 2 Dec')
  })
})
