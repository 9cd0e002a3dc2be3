import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import ProfilePage from './ProfilePage.vue'

const get = vi.hoisted(() => vi.fn())
const post = vi.hoisted(() => vi.fn())
const put = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => ({
  api: { GET: get, POST: post, PUT: put },
  ask: (p: Promise<unknown>) => p,
}))

const settings = {
  settings: [
    {
      id: 'consent',
      question: 'When is permission asked?',
      group: 'Sheet and permission',
      rules: ['CONSENT-BEFORE'],
      options: [
        { id: 'now', label: 'at the moment' },
        { id: 'start', label: 'at the start' },
      ],
      chosen: { a: 'now', b: 'start' },
    },
  ],
  numbers: [
    {
      id: 'largest-silence',
      name: 'Largest silence',
      group: 'Words',
      unit: 's',
      least: 1,
      most: 7200,
      whole: false,
      rules: ['COMM-GAP'],
      chosen: { a: 180, b: 120 },
    },
    {
      id: 'ceiling-calf',
      name: 'Calf',
      group: 'How deep each site',
      unit: 'grade',
      least: 0,
      most: 5,
      whole: true,
      rules: ['PRESS-CEILING'],
      chosen: { a: 2, b: 4 },
      usual: { a: 4, b: 4 },
    },
  ],
  zones: [
    {
      id: 'sensitive',
      question: 'Which zones are asked for?',
      group: 'Sheet and permission',
      rules: ['CONSENT-BEFORE'],
      always: ['groin'],
      chosen: { a: ['groin', 'gluteals'], b: ['groin'] },
    },
  ],
  topics: [
    {
      id: 'abdominal',
      name: 'Abdominal work',
      caution: 'On the out-breath.',
      chosen: { a: 'supervised', b: 'allowed' },
    },
  ],
  rules: [
    {
      id: 'ORDER-WARM',
      criterion: 'order',
      meaning: 'Warm first.',
      ofPlans: true,
      chosen: { a: 'stop', b: 'stop' },
    },
    {
      id: 'MECH-LOOK',
      criterion: 'mechanics',
      meaning: 'Clean.',
      ofPlans: false,
      chosen: { a: 'warn', b: 'warn' },
    },
  ],
  whoDecides: 'Local codes and licensed practice decide.',
}
const finding = (rule: string) => ({ key: rule, rule, severity: 'stop', sentence: `${rule} says so.` })

async function page(role: string) {
  setActivePinia(createPinia())
  useSession().session = { person: { role } } as unknown as Schema['SessionView']
  useSession().catalogue = {
    regions: [{ id: 'hip', name: 'Hip' }],
    zones: [
      { id: 'gluteals', name: 'Gluteals', region: 'hip' },
      { id: 'groin', name: 'Groin', region: 'thigh' },
      { id: 'calf', name: 'Calf', region: 'lower-leg' },
    ],
  } as unknown as Schema['Catalogue']
  const p = mount(ProfilePage, {
    props: { id: 'a' },
    global: { stubs: { 'router-link': true, Standing: true } },
  })
  await flushPromises()
  return p
}
const press = async (p: Awaited<ReturnType<typeof page>>, text: string) => {
  await p
    .findAll('button')
    .find((b) => b.text() === text)!
    .trigger('click')
  await flushPromises()
}

beforeEach(() => {
  get
    .mockReset()
    .mockImplementation(async (path: string) =>
      path.endsWith('settings')
        ? settings
        : path.endsWith('profiles')
          ? [{ profile: { id: 'a', name: 'Ours' } }, { profile: { id: 'b', name: 'Theirs' } }]
          : [{ id: 'hip', name: 'Hip' }],
    )
  post.mockReset().mockResolvedValue({ come: [finding('CONSENT-BEFORE')], gone: [finding('ORDER-WARM')] })
  put.mockReset().mockResolvedValue(settings)
})

describe('what a school decides', () => {
  it('shows each answer, who differs, the caution and who decides', async () => {
    const p = await page('lead')
    const one = p.find('[aria-label="When is permission asked?"]')
    expect(one.find('[aria-pressed=true]').text()).toBe('at the moment')
    expect(one.text()).toContain('Theirs: at the start')
    await press(p, 'What may be beyond scope')
    expect(p.text()).toContain('On the out-breath.')
    expect(p.text()).toContain('Local codes and licensed practice decide.')
    expect(p.find('[aria-label="MECH-LOOK"]').exists()).toBe(false)
  })
  it('shows what a change would say of a sequence before it is saved', async () => {
    const p = await page('lead')
    await press(p, 'at the start')
    expect(post.mock.calls.at(-1)![1].body).toMatchObject({ sequence: 'hip', settings: { consent: 'start' } })
    expect(p.text()).toContain('New: Stop')
    expect(p.text()).toContain('No longer: Stop')
    expect(put).not.toHaveBeenCalled()
  })
  it('forgets a change that is taken back', async () => {
    const p = await page('lead')
    await press(p, 'at the start')
    await press(p, 'at the moment')
    expect(
      p
        .findAll('button')
        .find((b) => b.text() === 'Save')!
        .attributes('disabled'),
    ).toBeDefined()
  })
  it('saves what changed and nothing else', async () => {
    const p = await page('lead')
    await press(p, 'What may be beyond scope')
    await press(p, 'not taught')
    await press(p, 'How grave each rule is')
    await p.find('select[aria-label="ORDER-WARM is"]').setValue('hint')
    await press(p, 'Save')
    expect(put.mock.calls[0]![1].body).toMatchObject({
      settings: {},
      scope: { abdominal: 'not-taught' },
      severities: { 'ORDER-WARM': 'hint' },
    })
    expect(p.text()).toContain('Saved as a new version.')
  })
  it('shows one group at a time, and finds words in all of them', async () => {
    const p = await page('lead')
    expect(p.text()).not.toContain('Largest silence')
    await press(p, 'Words')
    expect(p.text()).toContain('Largest silence')
    expect(p.text()).not.toContain('When is permission asked?')
    await p.find('input[type=search]').setValue('permission asked')
    expect(p.text()).toContain('When is permission asked?')
    expect(p.text()).not.toContain('Largest silence')
    await p.find('input[type=search]').setValue('comm-gap')
    expect(p.text()).toContain('Largest silence')
    await p.find('input[type=search]').setValue('moonlight')
    expect(p.text()).toContain('Nothing has these words')
    await press(p, 'Sheet and permission')
    expect(p.text()).toContain('When is permission asked?')
  })
  it('lets zones be chosen, but for those of every school', async () => {
    const p = await page('lead')
    const zone = (name: string) => p.findAll('.region button').find((b) => b.text() === name)!
    expect(zone('Groin').attributes('disabled')).toBeDefined()
    expect(zone('Calf').attributes('aria-pressed')).toBe('false')
    await press(p, 'Calf')
    await press(p, 'Gluteals')
    expect(zone('Calf').attributes('aria-pressed')).toBe('true')
    await press(p, 'Save')
    expect(put.mock.calls[0]![1].body.zones).toEqual({ sensitive: ['groin', 'calf'] })
    await press(p, 'Calf')
    await press(p, 'Calf')
    expect(
      p
        .findAll('button')
        .find((b) => b.text() === 'Save')!
        .attributes('disabled'),
    ).toBeDefined()
  })
  it('says what a number is elsewhere and where the school says nothing of its own', async () => {
    const p = await page('lead')
    await press(p, 'How deep each site')
    expect(p.text()).toContain('usual: 4')
    await p.find('input[aria-label="Calf"]').setValue('4')
    expect(p.text()).not.toContain('usual: 4')
  })
  it('lets only the lead save', async () => {
    const p = await page('instructor')
    expect(p.findAll('button').some((b) => b.text() === 'Save')).toBe(false)
    expect(p.text()).toContain('only the lead can save')
  })
})
