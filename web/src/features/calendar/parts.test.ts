import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import CoverageMap from './CoverageMap.vue'
import TermGrid from './TermGrid.vue'
import type { Curriculum } from './term'

const curriculum = {
  id: 't',
  name: 'Term',
  weeks: 4,
  labsAWeek: 2,
  labMinutes: 60,
  targetHours: 0,
  regionHours: {},
  off: [3],
  lessons: [
    { id: 'a', week: 1, lab: 1, region: 'neck', aim: 'teach', minutes: 90, note: '', sequence: 'nape' },
    { id: 'b', week: 2, lab: 1, region: 'neck', aim: 'assess', minutes: 30, note: '', sequence: 'nape' },
  ],
} as unknown as Curriculum

beforeEach(() => {
  setActivePinia(createPinia())
  useSession().catalogue = {
    regions: [
      { id: 'neck', name: 'Neck' },
      { id: 'jaw', name: 'Jaw' },
    ],
    tools: [
      { id: 'palm', name: 'palm', pointed: false },
      { id: 'elbow', name: 'elbow point', pointed: true },
    ],
    zones: [],
    techniques: [],
  } as unknown as Schema['Catalogue']
})

describe('regions by weeks', () => {
  const grid = (cell = { region: 'neck', week: 1 }) =>
    mount(TermGrid, {
      props: { curriculum, regions: ['neck', 'jaw'], now: 2, cell, flagged: new Set(['a']) },
      attachTo: document.body,
    })
  it('says what each cell holds, for those who hear it', () => {
    const g = grid()
    expect(g.find('[data-cell="0/1"]').attributes('aria-label')).toBe('Neck, week 1: teach 90 min')
    expect(g.find('[data-cell="1/4"]').attributes('aria-label')).toBe('Jaw, week 4: nothing')
    expect(g.find('thead [data-week="3"]').attributes('aria-label')).toContain('off')
    expect(g.find('thead [data-week="2"]').attributes('aria-label')).toContain('now')
    expect(g.findAll('.room .over')).toHaveLength(1)
  })
  it('is one stop of the tab key, walked by arrows', async () => {
    const g = grid()
    expect(g.findAll('.cell').filter((c) => c.attributes('tabindex') === '0')).toHaveLength(1)
    await g.find('[data-cell="0/1"]').trigger('keydown', { key: 'ArrowDown' })
    expect(g.emitted('pick')!.at(-1)).toEqual(['jaw', 1])
    await g.find('[data-cell="0/1"]').trigger('keydown', { key: 'ArrowRight' })
    expect(g.emitted('pick')!.at(-1)).toEqual(['neck', 2])
    await g.find('[data-cell="0/1"]').trigger('keydown', { key: 'ArrowUp' })
    expect(g.emitted('pick')).toHaveLength(2)
  })
  it('adds by letter, moves with Alt, takes out with Delete', async () => {
    const g = grid()
    const cell = g.find('[data-cell="0/1"]')
    await cell.trigger('keydown', { key: 'm' })
    expect(g.emitted('add')!.at(-1)).toEqual(['neck', 1, 'meet-again'])
    await cell.trigger('keydown', { key: 'ArrowRight', altKey: true })
    expect(g.emitted('shift')!.at(-1)).toEqual(['a', 2])
    await cell.trigger('keydown', { key: 'Delete' })
    expect(g.emitted('remove')!.at(-1)).toEqual(['neck', 1])
    await cell.trigger('keydown', { key: 'q' })
    await cell.trigger('keydown', { key: 's', ctrlKey: true })
    expect(g.emitted('add')).toHaveLength(1)
  })
})

describe('what a term covers', () => {
  const checks = {
    regions: [{ region: 'neck', hours: 2, reach: { pressure: 'assess' }, expected: 2, covered: 1 }],
    cells: [
      {
        region: 'neck',
        tool: 'palm',
        position: 'prone',
        expected: true,
        reach: { pressure: 'assess' },
        seconds: 120,
        sources: [
          { lesson: 'a', sequence: 'nape', steps: ['x'] },
          { lesson: 'b', sequence: 'nape', steps: ['x', 'y'] },
        ],
      },
      {
        region: 'neck',
        tool: 'elbow',
        position: 'supine',
        expected: true,
        reach: {},
        seconds: 0,
        sources: [],
      },
    ],
  } as unknown as Schema['TermChecksView']
  const map = () =>
    mount(CoverageMap, {
      props: { checks, curriculum },
      global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
    })
  it('counts the empty cells and opens each to what is behind it', async () => {
    const m = map()
    expect(m.text()).toContain('1 of 2 cells covered, 1 empty')
    await m.findAll('.cell')[0]!.trigger('click')
    expect(m.find('.opened').text()).toContain('week 2, assessed')
    expect(m.find('.opened').text()).toContain('2:00 of client time')
    await m.findAll('.cell')[1]!.trigger('click')
    expect(m.find('.opened').text()).toContain('empty')
  })
  it('can be narrowed to one position', async () => {
    const m = map()
    await m
      .findAll('button')
      .find((b) => b.text() === 'supine')!
      .trigger('click')
    expect(m.text()).toContain('0 of 1 cells covered, 1 empty')
    expect(m.findAll('.cell')).toHaveLength(1)
  })
})
