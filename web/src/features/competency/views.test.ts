import { flushPromises, mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import CohortPalms from './CohortPalms.vue'
import CohortSteps from './CohortSteps.vue'
import FigureRow from './FigureRow.vue'
import NextLooks from './NextLooks.vue'
import TermClosing from './TermClosing.vue'

const CRITERIA = ['pressure', 'order', 'mechanics', 'communication', 'draping'] as const
const palm = (region: string): Schema['Palm'] =>
  ({
    region,
    secure: 1,
    bars: CRITERIA.map((criterion, i) => ({
      criterion,
      state: i === 0 ? 'secure' : 'not seen',
      fill: i === 0 ? 4 : 0,
      level: i === 0 ? 84 : undefined,
      sd: i === 0 ? 7 : undefined,
      why: '',
    })),
  }) as Schema['Palm']
const cohort = (students: number): Schema['Cohort'] => ({
  term: 't',
  name: 'Evening cohort',
  week: 8.5,
  weeks: 15,
  cut: 60,
  way: 'latest',
  practicals: 3,
  tracked: 1,
  closed: false,
  regions: ['neck', 'hip'],
  students: Array.from({ length: students }, (_, i) => ({
    id: `s${i}`,
    name: `Student ${i}`,
    palms: [palm('neck'), palm('hip')],
    secure: 2,
    dueAgain: 0,
    atRisk: 0,
    critical: 0,
    seen: 2,
  })),
})
const stubs = { RouterLink: RouterLinkStub }
const asked: string[] = []
let bodies: Record<string, unknown> = {}
const call = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => ({
  api: {
    GET: (path: string, init: object) => call('GET', path, init),
    POST: (path: string, init: object) => call('POST', path, init),
    DELETE: (path: string, init: object) => call('DELETE', path, init),
  },
  ask: (p: Promise<unknown>) => p,
}))
call.mockImplementation(
  async (
    method: string,
    path: string,
    init: { params: { path: Record<string, string>; query?: { minutes?: number } } },
  ) => {
    const at = `${method} ${path.replace(/\{(\w+)\}/g, (_, name: string) => init.params.path[name] ?? '')}`
    const minutes = init.params.query?.minutes
    asked.push(minutes === undefined ? at : `${at}?minutes=${minutes}`)
    if (!(at in bodies)) throw { status: 404, code: 'not-found', detail: 'Not there.', faults: [] }
    return bodies[at]
  },
)
function answers(these: Record<string, unknown>) {
  bodies = these
  asked.length = 0
  return asked
}

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
})

describe('the cohort', () => {
  it('is one stop of the tab key, and arrows walk in it', async () => {
    const page = mount(CohortPalms, {
      props: { cohort: cohort(3) },
      global: { stubs },
      attachTo: document.body,
    })
    const stops = () => page.findAll('[role=grid] [data-at]').filter((a) => a.attributes('tabindex') === '0')
    expect(stops().map((a) => a.attributes('data-at'))).toEqual(['0/0'])
    await page.find('table').trigger('keydown', { key: 'ArrowDown' })
    await page.find('table').trigger('keydown', { key: 'ArrowRight' })
    expect(stops().map((a) => a.attributes('data-at'))).toEqual(['1/1'])
    await page.find('table').trigger('keydown', { key: 'End' })
    await page.find('table').trigger('keydown', { key: 'ArrowRight' })
    expect(stops().map((a) => a.attributes('data-at'))).toEqual(['1/2'])
    page.unmount()
  })
  it('has low rows where it is large, and can be made larger', async () => {
    expect(
      mount(CohortPalms, { props: { cohort: cohort(16) }, global: { stubs } })
        .find('.dense')
        .exists(),
    ).toBe(false)
    const page = mount(CohortPalms, { props: { cohort: cohort(17) }, global: { stubs } })
    expect(page.find('.dense').exists()).toBe(true)
    await page
      .findAll('button')
      .find((b) => b.text() === 'Larger')!
      .trigger('click')
    expect(page.find('.dense').exists()).toBe(false)
  })
  it('says in words what the drawing shows', async () => {
    const page = mount(CohortPalms, { props: { cohort: cohort(1) }, global: { stubs } })
    await page
      .findAll('button')
      .find((b) => b.text() === 'As a table')!
      .trigger('click')
    const cells = page
      .findAll('tbody tr')[0]!
      .findAll('td')
      .map((c) => c.text().replace(/\s+/g, ' '))
    expect(cells.slice(1)).toEqual([
      'secure 84 ± 7',
      'not seen',
      'not seen',
      'not seen',
      'not seen',
      '1 of 5',
    ])
  })
  it('without students, regions or such a bar says so', async () => {
    const empty = mount(CohortPalms, { props: { cohort: cohort(0) }, global: { stubs } })
    expect(empty.text()).toContain('No student in this term yet')
    const bare = { ...cohort(2), regions: [] }
    expect(mount(CohortPalms, { props: { cohort: bare }, global: { stubs } }).text()).toContain(
      'once a practical of it is awarded',
    )
    const page = mount(CohortPalms, { props: { cohort: cohort(2) }, global: { stubs } })
    await page.findAll('select')[1]!.setValue('critical')
    expect(page.text()).toContain('Nobody has such a bar.')
  })
})

describe('the next looks', () => {
  it('without any say why', async () => {
    answers({ 'GET /api/terms/t/watch': { minutes: 2, used: 0, left: 0, looks: [], missing: [] } })
    const page = mount(NextLooks, { props: { term: cohort(1).term, cohort: cohort(1) }, global: { stubs } })
    await flushPromises()
    expect(page.text()).toContain('There is no time for a look')
    expect(page.text()).toContain('No lab is planned any more.')
  })
  it('name what cannot be looked at, and what is missing', async () => {
    const why =
      'Jaw: 3 students wait for a look, and no sequence works there, so none can be set up. Write one under Plan.'
    answers({
      'GET /api/terms/t/watch': {
        minutes: 60,
        used: 0,
        left: 0,
        looks: [],
        missing: [{ region: 'jaw', students: 3, why }],
      },
    })
    const page = mount(NextLooks, { props: { term: cohort(1).term, cohort: cohort(1) }, global: { stubs } })
    await flushPromises()
    expect(page.text()).toContain('Nothing that a sequence works on needs a look.')
    expect(page.find('ul').text()).toContain(why)
  })
  it('are asked for anew with the minutes that are typed', async () => {
    const asked = answers({
      'GET /api/terms/t/watch': { minutes: 60, used: 0, left: 3, looks: [], missing: [] },
    })
    const page = mount(NextLooks, { props: { term: cohort(1).term, cohort: cohort(1) }, global: { stubs } })
    await flushPromises()
    const input = page.find('input')
    ;(input.element as HTMLInputElement).value = '9999'
    await input.trigger('change')
    await flushPromises()
    expect(asked.at(-1)).toBe('GET /api/terms/t/watch?minutes=480')
  })
})

describe('what the class misses', () => {
  const step = {
    sequence: 'neck',
    sequenceName: 'Neck',
    region: 'neck',
    place: 2,
    step: 'strip',
    name: 'Finger strip',
    asked: 8,
    missed: 2,
    outOfOrder: 0,
    overCeiling: 0,
    leftSilent: 6,
  }
  it('is counted, opened to its practicals, and put into the next demonstration', async () => {
    const asked = answers({
      'POST /api/terms/t/steps/neck/strip/again': { week: 9, lab: 1 },
      'GET /api/terms/t/steps/neck/strip': {
        lines: [
          {
            id: 'p',
            studentId: 's',
            name: 'Ana Quill',
            missed: false,
            outOfOrder: false,
            overCeiling: false,
            leftSilent: true,
            startedAt: '2026-10-05T18:30:00Z',
          },
        ],
      },
      'GET /api/terms/t/steps': { practicals: 8, steps: [step] },
    })
    const page = mount(CohortSteps, { props: { cohort: cohort(1) }, global: { stubs } })
    await flushPromises()
    expect(page.text()).toContain('6 · 75 %')
    await page.find('.step').trigger('click')
    await flushPromises()
    expect(page.find('.runs').text()).toContain('Ana Quill, Mon 5 Oct: nothing said')
    await page
      .findAll('button')
      .find((b) => b.text() === 'Show it again')!
      .trigger('click')
    await flushPromises()
    expect(asked).toContain('POST /api/terms/t/steps/neck/strip/again')
  })
  it('that cannot be read says what to do', async () => {
    answers({})
    const page = mount(CohortSteps, { props: { cohort: cohort(1) }, global: { stubs } })
    await flushPromises()
    expect(page.find('[role=alert]').text()).toContain('Not there.')
    expect(page.text()).toContain('Try again')
  })
})

describe('a number about graders', () => {
  const figure = (more: object): Schema['Figure'] =>
    ({ name: 'severity', cases: 12, needed: 20, meaning: 'What it is.', ...more }) as Schema['Figure']
  it('is not there where it would rest on too little', () => {
    const row = mount(FigureRow, { props: { figure: figure({}), places: 1 } })
    expect(row.text()).toContain('no number')
    expect(row.text()).toContain('12 of 20 needed')
  })
  it('has its interval beside it', () => {
    const row = mount(FigureRow, {
      props: { figure: figure({ value: -3.24, low: -5, high: -1.5, cases: 40 }), places: 1 },
    })
    expect(row.text()).toContain('−3.2')
    expect(row.text()).toContain('−5.0 to −1.5')
    expect(row.text()).toContain('on 40')
  })
})

describe('the end of a term', () => {
  const closing = {
    term: 't',
    name: 'Evening cohort',
    running: [],
    waiting: [],
    held: [],
    open: [],
    states: { secure: 2 },
    next: [],
  }
  it('is not closed by one who is not the lead, and names no next term where there is none', async () => {
    answers({ 'GET /api/terms/t/closing': closing })
    const page = mount(TermClosing, { props: { cohort: cohort(1) }, global: { stubs } })
    await flushPromises()
    expect(page.text()).toContain('The lead closes a term.')
    expect(page.text()).toContain('no next term yet')
    expect(page.findAll('button').some((b) => b.text() === 'Close the term')).toBe(false)
  })
})
