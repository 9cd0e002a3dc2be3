import { mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import AwardShown from './AwardShown.vue'
import PracticalLines from './PracticalLines.vue'

vi.mock('@/api/client', () => ({ api: {}, ask: (p: Promise<unknown>) => p }))

const line = (more: object) =>
  ({
    id: 'p',
    student: 'Ana Quill',
    sequence: 'Calves',
    grader: 'Nadia Brook',
    kind: 'practical',
    startedAt: '2026-11-20T10:00:00Z',
    finished: true,
    ...more,
  }) as Schema['PracticalLine']
const said = (more: object) =>
  mount(PracticalLines, {
    props: { title: 'Waiting', lines: [line(more)] },
    global: { stubs: { RouterLink: RouterLinkStub } },
  })
    .find('.go')
    .text()

describe('a practical as a line', () => {
  it.each([
    [{}, 'review'],
    [{ result: 'pass', mean: 71.6, released: true }, '72 · pass'],
    [{ result: 'pass', mean: 71.6, since: 1 }, '1 tap since'],
    [{ result: 'pass', mean: 71.6, since: 3, voidReason: 'fire bell' }, 'void'],
  ])('%o says %s', (more, text) => expect(said(more)).toBe(text))
})

describe('many practicals', () => {
  const page = () =>
    mount(PracticalLines, {
      props: { title: 'Awarded', more: true, lines: [...Array(23).keys()].map((i) => line({ id: `p${i}` })) },
      global: { stubs: { RouterLink: RouterLinkStub } },
    })

  it('show ten, and all when they are wanted', async () => {
    const list = page()
    expect(list.findAll('.line')).toHaveLength(10)
    expect(list.find('h2').text()).toBe('Awarded 23 and more')
    await list.find('button').trigger('click')
    expect(list.findAll('.line')).toHaveLength(23)
    expect(list.find('button').text()).toBe('Earlier')
  })
})

describe('an award', () => {
  beforeEach(() => setActivePinia(createPinia()))
  const shown = (since: number, role: string) => {
    useSession().$patch({ session: { person: { id: 'n', name: 'N', role }, terms: [] } } as never)
    return mount(AwardShown, {
      props: {
        view: {
          sequence: { blocks: [] },
          scores: { criteria: [] },
          again: [],
          award: {
            revision: 1,
            by: 'Nadia Brook',
            at: '2026-11-20T10:00:00Z',
            since,
            outcome: { result: 'pass', mean: 70, band: 'competent', reasons: [] },
            award: { criteria: {}, struck: [], confirmed: [], feedback: '', released: true },
          },
        } as unknown as Schema['PracticalView'],
      },
    }).text()
  }
  it('says what came in after it, to those who can award anew', () => {
    expect(shown(3, 'instructor')).toContain('3 taps reached the school after this award')
    expect(shown(0, 'instructor')).not.toContain('reached the school')
    expect(shown(3, 'student')).not.toContain('reached the school')
  })
})
