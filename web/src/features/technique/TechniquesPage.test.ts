import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import TechniquesPage from './TechniquesPage.vue'

const get = vi.hoisted(() => vi.fn())
const post = vi.hoisted(() => vi.fn())
const put = vi.hoisted(() => vi.fn())
const route = vi.hoisted(() => ({ hash: '' }))
vi.mock('@/api/client', () => ({
  api: { GET: get, POST: post, PUT: put },
  ask: (p: Promise<unknown>) => p,
}))
vi.mock('vue-router', () => ({
  useRoute: () => route,
  useRouter: () => ({ replace: ({ hash }: { hash: string }) => (route.hash = hash) }),
}))

const technique = (id: string, name: string, more = {}) => ({
  version: 0,
  ships: true,
  standard: true,
  windows: [],
  uses: [],
  technique: {
    id,
    name,
    aliases: [],
    stroke: 'effleurage',
    tool: 'palm',
    depth: 2,
    dose: { kind: 'passes', seconds: 10, count: 6 },
    effort: 'passive',
    strong: false,
  },
  ...more,
})
const all = [
  technique('effleurage', 'Effleurage (glide)', {
    uses: [{ sequence: 'calves', name: 'Calves', steps: [2, 7] }],
    windows: ['at least 5 s a pass; slow.'],
  }),
  technique('petrissage', 'Petrissage (kneading)'),
]

async function page(role = 'instructor', hash = '#effleurage') {
  setActivePinia(createPinia())
  const session = useSession()
  session.session = { person: { role } } as unknown as Schema['SessionView']
  session.catalogue = {
    tools: [{ id: 'palm', name: 'palm' }],
    strokes: [{ id: 'effleurage', name: 'Effleurage' }],
    techniques: [{ id: 'effleurage', name: 'Effleurage (glide)', stroke: 'Effleurage' }],
    law: 'Local codes decide.',
  } as unknown as Schema['Catalogue']
  route.hash = hash
  const p = mount(TechniquesPage, {
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
  })
  await flushPromises()
  return p
}

beforeEach(() => {
  get
    .mockReset()
    .mockImplementation(async (path: string) => (path === '/api/techniques' ? all : { tools: [] }))
  post.mockReset()
  put.mockReset()
  Element.prototype.scrollIntoView = vi.fn()
})

describe('the library', () => {
  it('says what a technique is, its window, and where it is used', async () => {
    const p = await page()
    const one = p.find('.one').text()
    expect(one).toContain('Effleurage · palm · depth 2 · 6 × 10 s')
    expect(one).toContain('Dose: at least 5 s a pass; slow.')
    expect(one).toContain('Calves, steps 2, 7')
    expect(one).toContain('Local codes decide.')
    expect(one).toContain('As in the standard library.')
  })
  it('is searched by every word', async () => {
    const p = await page()
    await p.find('input[type=search]').setValue('knead')
    expect(p.findAll('.line')).toHaveLength(1)
    await p.find('input[type=search]').setValue('knead moon')
    expect(p.text()).toContain('No technique is called that.')
  })
  it('is read, not changed, by graders', async () => {
    const p = await page('grader')
    expect(p.find('form').exists()).toBe(false)
    expect(p.text()).not.toContain('Read a file')
  })
})

describe('a technique of the school’s own', () => {
  it('is named, and done like another', async () => {
    const p = await page()
    await p
      .findAll('button')
      .find((b) => b.text() === 'Add one of your own')!
      .trigger('click')
    const form = p.find('form[aria-label="A technique of your own"]')
    await form.find('input').setValue('Harbour sweep')
    post.mockResolvedValueOnce(technique('harbour-sweep', 'Harbour sweep', { ships: false }))
    await form.trigger('submit')
    await flushPromises()
    expect(post.mock.calls[0]).toEqual([
      '/api/techniques',
      { body: { name: 'Harbour sweep', like: 'effleurage' } },
    ])
    expect(route.hash).toBe('#harbour-sweep')
  })
  it('may become another stroke, and one that ships may not', async () => {
    const own = technique('harbour-sweep', 'Harbour sweep', { ships: false, standard: false, version: 3 })
    get.mockImplementation(async () => [...all, own])
    const shipped = await page()
    expect(shipped.find('form[aria-label="This school’s way"]').text()).not.toContain('Stroke')
    const p = await page('instructor', '#harbour-sweep')
    const form = p.find('form[aria-label="This school’s way"]')
    expect(form.text()).toContain('Stroke')
    await form.findAll('input[type=checkbox]')[1]!.setValue(true)
    await form.find('.window input').setValue(8)
    post.mockResolvedValueOnce([])
    await form.trigger('submit')
    expect(post.mock.calls[0]![1].body).toMatchObject({
      from: 3,
      stroke: 'effleurage',
      window: { per: 'whole', least: 8 },
    })
  })
  it('is offered no more by one act, and again by another', async () => {
    const p = await page()
    const button = () => p.find('.ways > button')
    put.mockResolvedValueOnce([technique('effleurage', 'Effleurage (glide)', { version: 1 })])
    await button().trigger('click')
    await flushPromises()
    expect(put.mock.calls[0]![1].body).toEqual({ from: 0, retired: true })
    expect(p.find('[role=status]').text()).toContain('What was made with it stays as it is.')
  })
})

describe('a change', () => {
  const touched = [
    {
      sequence: 'calves',
      name: 'Calves',
      follows: [2],
      own: [7],
      secondsBefore: 60,
      secondsAfter: 90,
      stops: 0,
      warns: 1,
    },
    {
      sequence: 'neck',
      name: 'Neck',
      follows: [3],
      own: [],
      secondsBefore: 60,
      secondsAfter: 60,
      stops: 1,
      warns: 0,
    },
  ]
  async function seen() {
    const p = await page()
    post.mockResolvedValueOnce(touched)
    await p.find('form input[name=aliases]').setValue('glide, long stroke')
    await p.find('form').trigger('submit')
    await flushPromises()
    return p
  }
  it('shows whom it touches before it is stored; who would get a stop stays', async () => {
    const p = await seen()
    expect(post.mock.calls[0]![1].body).toMatchObject({
      from: 0,
      aliases: ['glide', 'long stroke'],
      depth: 2,
    })
    const list = p.find('.touched').text()
    expect(list).toContain('Calves, step 2 changes, step 7 has its own ways, 1:00 → 1:30, 1 more warning')
    expect(list).toContain('1 more stop')
    expect(p.findAll('.touched li button').map((b) => b.text())).toEqual(['follows', 'stays'])
    expect(put).not.toHaveBeenCalled()
  })
  it('is stored with those who follow', async () => {
    const p = await seen()
    await p.findAll('.touched li button')[1]!.trigger('click')
    put.mockResolvedValueOnce(all)
    await p
      .findAll('.touched button')
      .find((b) => b.text() === 'Store it')!
      .trigger('click')
    await flushPromises()
    expect(put.mock.calls[0]![1].body.follow).toEqual(['calves', 'neck'])
    expect(p.find('[role=status]').text()).toContain('2 sequences have followed')
  })
  it('that is refused says why and keeps what was typed', async () => {
    const p = await page()
    post.mockRejectedValueOnce({
      detail: 'x',
      faults: [{ field: 'aliases', value: 'fist glide', reason: 'is taken' }],
    })
    await p.find('form input[name=aliases]').setValue('fist glide')
    await p.find('form').trigger('submit')
    await flushPromises()
    expect(p.find('[role=alert]').text()).toContain('aliases “fist glide” is taken')
    expect((p.find('form input[name=aliases]').element as HTMLInputElement).value).toBe('fist glide')
  })
  it('of anything makes what was seen out of date', async () => {
    const p = await seen()
    await p.find('form input[name=aliases]').setValue('other')
    expect(p.find('.touched').exists()).toBe(false)
  })
})
