import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { halves, mapOf, touched } from './body'
import TableFigure from './TableFigure.vue'
import { bodyLook, drawBodiesAs } from './useBodyLook'

/** The middle of a zone by its corners. */
function middle(position: string, zone: string, side: string) {
  const shape = mapOf(position).zones.find((z) => z.zone === zone && z.side === side)!
  const all = [...shape.path.matchAll(/(-?\d+),(-?\d+)/g)].map((m) => [Number(m[1]), Number(m[2])] as const)
  const mean = (i: 0 | 1) => all.reduce((sum, p) => sum + p[i], 0) / all.length
  return { x: mean(0), y: mean(1) }
}

describe('the body on the table', () => {
  it('lies with the right to the right face down, and to the left face up', () => {
    expect(middle('prone', 'calf', 'right').x).toBeGreaterThan(40)
    expect(middle('supine', 'shin', 'right').x).toBeLessThan(-40)
    expect(middle('semi-reclined', 'shin', 'right')).toEqual(middle('supine', 'shin', 'right'))
  })
  it('shows the upper side of who lies on the other', () => {
    const left = mapOf('side-left').zones
    expect(left.find((z) => z.zone === 'thigh-outer' && z.side === 'right')!.behind).toBe(false)
    expect(left.find((z) => z.zone === 'thigh-outer' && z.side === 'left')!.behind).toBe(true)
  })
  it('has no sheet for who sits', () => {
    expect(mapOf('seated').linen).toEqual([])
    expect(mapOf('prone').linen.length).toBeGreaterThan(5)
  })
  it('both reach both', () => {
    expect(halves('both')).toEqual(['left', 'right', 'midline'])
    expect(halves('left')).toEqual(['left'])
  })
})

describe('the look of a school', () => {
  it('is told to the page by its tone', () => {
    drawBodiesAs(undefined)
    expect(document.documentElement.dataset.skin).toBeUndefined()
    drawBodiesAs({ build: 'middle', skin: 'brown' })
    expect(document.documentElement.dataset.skin).toBe('brown')
    expect(bodyLook.value).toEqual({ build: 'middle', skin: 'brown' })
    drawBodiesAs({ build: 'middle', skin: 'sand' })
  })
  it('makes every small body heavier', async () => {
    const before = middle('prone', 'upper-back', 'right').x
    drawBodiesAs({ build: 'heavy', skin: 'sand' })
    await vi.waitFor(() => expect(middle('prone', 'upper-back', 'right').x / before).toBeCloseTo(1.28, 1))
    drawBodiesAs({ build: 'middle', skin: 'sand' })
    await vi.waitFor(() => expect(middle('prone', 'upper-back', 'right').x).toBe(before))
  })
})

describe('closer', () => {
  it('shows what is worked and nothing else of the table, with what lies under the skin', async () => {
    const figure = mount(TableFigure, {
      props: {
        position: 'prone',
        closeUp: true,
        working: { zones: ['calf'], side: 'right', through: false },
      },
    })
    await vi.waitFor(() => expect(figure.find('[data-structure=soleus]').exists()).toBe(true))
    const [x, , width, height] = figure.attributes('viewBox')!.split(' ').map(Number)
    const calf = middle('prone', 'calf', 'right')
    expect(x!).toBeLessThan(calf.x)
    expect(x! + width!).toBeGreaterThan(calf.x)
    expect(height!).toBeLessThan(700)
    await figure.setProps({ closeUp: false })
    expect(figure.attributes('viewBox')).toBe('-420 -120 840 2050')
    expect(figure.find('[data-structure=soleus]').exists()).toBe(false)
  })
})

describe('a touch', () => {
  it.each([
    ['prone', 'hamstrings', 'left'],
    ['prone', 'shoulder-blade', 'right'],
    ['prone', 'hip-rotators', 'left'],
    ['prone', 'kidneys', 'right'],
    ['supine', 'kneecap', 'right'],
    ['supine', 'sternum', 'midline'],
    ['supine', 'foot-top', 'left'],
    ['side-left', 'thigh-outer', 'right'],
  ])('%s: the middle of %s, %s, means it', (position, zone, side) => {
    const found = touched(mapOf(position).zones, middle(position, zone, side))
    expect([found?.zone, found?.side]).toEqual([zone, side])
  })
  it('beside a zone means the nearest, and far off the body nothing', () => {
    const knee = middle('supine', 'kneecap', 'left')
    expect(touched(mapOf('supine').zones, { x: knee.x + 55, y: knee.y })?.side).toBe('left')
    expect(touched(mapOf('prone').zones, { x: 340, y: 1700 })).toBeUndefined()
  })
  it('means nothing that lies on the far side', () => {
    for (const position of ['prone', 'supine', 'side-left', 'side-right'])
      for (let y = -100; y < 1900; y += 60)
        for (let x = -380; x < 380; x += 40)
          expect(touched(mapOf(position).zones, { x, y })?.behind ?? false).toBe(false)
  })
})

describe('the table figure', () => {
  const zoneOf = (figure: ReturnType<typeof mount>, zone: string, side: string) =>
    figure.find(`[data-zone=${zone}][data-side=${side}]`)

  it('lays linen over what is covered and leaves out what is open', () => {
    const covered = mount(TableFigure, { props: { position: 'prone' } })
    const open = mount(TableFigure, { props: { position: 'prone', open: [{ unit: 'leg', side: 'right' }] } })
    const leg = mapOf('prone').linen.find((p) => p.unit === 'leg' && p.side === 'right')!
    const cloth = (f: ReturnType<typeof mount>) => f.findAll('.linen').map((p) => p.attributes('d'))
    expect(cloth(covered)).toContain(leg.path)
    expect(cloth(open)).not.toContain(leg.path)
    expect(cloth(open)).toHaveLength(cloth(covered).length - 1)
  })
  it('shows what is worked in clay, and hatched through the sheet', () => {
    const bare = mount(TableFigure, {
      props: { position: 'prone', working: { zones: ['calf'], side: 'right', through: false } },
    })
    expect(zoneOf(bare, 'calf', 'right').attributes('fill')).toBe('var(--picture-work)')
    expect(zoneOf(bare, 'calf', 'left').attributes('fill')).toBe('transparent')
    const through = mount(TableFigure, {
      props: { position: 'prone', working: { zones: ['gluteals'], side: 'left', through: true } },
    })
    expect(zoneOf(through, 'gluteals', 'left').attributes('fill')).toMatch(/^url\(#.*through\)$/)
  })
  it('shows what is worked from below while it is', () => {
    const neck = mount(TableFigure, {
      props: { position: 'supine', working: { zones: ['neck-back'], side: 'both', through: false } },
    })
    expect(zoneOf(neck, 'neck-back', 'left').classes()).toContain('behind')
    expect(zoneOf(mount(TableFigure, { props: { position: 'supine' } }), 'neck-back', 'left').exists()).toBe(
      false,
    )
  })
  it('says in words what it shows', () => {
    const figure = mount(TableFigure, {
      props: {
        position: 'supine',
        open: [{ unit: 'abdomen', side: 'midline' }],
        working: { zones: ['belly'], side: 'midline', through: false },
      },
    })
    expect(figure.attributes('aria-label')).toBe(
      'Table from above, client supine; working on belly, midline; open: abdomen',
    )
  })
})
