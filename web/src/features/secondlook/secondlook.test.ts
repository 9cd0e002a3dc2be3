import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import SecondLookAsk from './SecondLookAsk.vue'
import SecondLookDecide from './SecondLookDecide.vue'
import SecondLookPanel from './SecondLookPanel.vue'
import SecondLookShown from './SecondLookShown.vue'

const ask = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => {
  const call = (method: string) => (path: string, options?: unknown) => ({ method, path, options })
  return { ask, api: { GET: call('GET'), POST: call('POST') } }
})

const MARKS = { pressure: 61, order: 70, mechanics: 55, communication: 80, draping: 45 }
const look = (more: Partial<Schema['SecondLookView']> = {}): Schema['SecondLookView'] => ({
  id: 'l',
  practical: 'p',
  studentId: 's',
  student: 'Ana Quill',
  sequence: 'Calves',
  startedAt: '2026-11-30T18:00:00Z',
  grader: 'Olle Strand',
  criterion: 'draping',
  reason: 'It was tucked.',
  askedAt: '2026-12-02T09:00:00Z',
  state: 'waits',
  before: MARKS,
  own: false,
  ...more,
})

beforeEach(() => {
  ask.mockReset()
  setActivePinia(createPinia())
  useSession().session = {
    person: { id: 's', name: 'Ana Quill', role: 'student' },
  } as unknown as Schema['SessionView']
})

describe('a second look', () => {
  it('shows the mark before and after, and who decided', () => {
    const page = mount(SecondLookShown, {
      props: {
        look: look({
          state: 'changed',
          after: { ...MARKS, draping: 60 },
          decidedBy: 'Marte Kjell',
          decidedAt: '2026-12-03T09:00:00Z',
          decision: 'Late, but tucked.',
          own: true,
        }),
      },
    })
    expect(page.findAll('li').map((l) => l.text().replace(/\s+/g, ' '))).toEqual(['D Draping 45 → 60'])
    expect(page.text()).toContain('Marte Kjell on Thu 3 Dec: “Late, but tucked.”')
    expect(page.text()).toContain('Who decided had graded it.')
  })
  it('of all five shows all five', () => {
    const page = mount(SecondLookShown, { props: { look: look({ criterion: undefined }) } })
    expect(page.findAll('li')).toHaveLength(5)
  })
  it('is asked for of one mark or of all', async () => {
    const page = mount(SecondLookAsk, { props: { busy: false } })
    await page.find('button').trigger('click')
    await page.find('textarea').setValue('It was tucked.')
    await page.find('form').trigger('submit')
    await page.find('select').setValue('draping')
    await page.find('form').trigger('submit')
    expect(page.emitted('ask')).toEqual([
      [{ criterion: undefined, reason: 'It was tucked.' }],
      [{ criterion: 'draping', reason: 'It was tucked.' }],
    ])
  })
  it('is decided for the marks that were given otherwise alone', async () => {
    const page = mount(SecondLookDecide, { props: { look: look({ criterion: undefined }), busy: false } })
    expect(page.find('button').text()).toBe('It stands')
    const inputs = page.findAll('input')
    await inputs[4]!.setValue('60,5')
    await inputs[1]!.setValue('70')
    await page.find('textarea').setValue('Late.')
    expect(page.find('button').text()).toBe('Change draping to 61')
    await page.find('form').trigger('submit')
    expect(page.emitted('decide')).toEqual([[{ draping: 60.5 }, 'Late.']])
  })
  it('is taken back by who asked, and not asked for twice', async () => {
    ask.mockResolvedValueOnce({ revision: 1, lastDay: '2026-12-16', shut: 'One waits.', looks: [look()] })
    const page = mount(SecondLookPanel, { props: { practical: 'p', mine: true } })
    await flushPromises()
    expect(page.text()).not.toContain('Ask for a second look')
    ask.mockResolvedValueOnce({ revision: 1, lastDay: '2026-12-16', looks: [look({ state: 'withdrawn' })] })
    await page.findAll('button').at(-1)!.trigger('click')
    await flushPromises()
    expect(ask.mock.lastCall![0]).toMatchObject({ path: '/api/second-looks/{id}/withdrawal' })
    expect(page.text()).toContain('Ask for a second look')
    expect(page.text()).toContain('16 Dec 2026')
  })
  it('says nothing where nobody asked and nobody here may', async () => {
    ask.mockResolvedValueOnce({ revision: 1, lastDay: '2026-12-16', shut: 'Not yours.', looks: [] })
    const page = mount(SecondLookPanel, { props: { practical: 'p', mine: false } })
    await flushPromises()
    expect(page.find('section').exists()).toBe(false)
  })
})
