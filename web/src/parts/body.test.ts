import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { BACK, FRONT, facesUp, halves, onRight } from './body'
import TableFigure from './TableFigure.vue'

describe('sides', () => {
  it('lie on the viewer’s own side face down, and mirrored face up', () => {
    expect(onRight('right', false)).toBe(true)
    expect(onRight('right', true)).toBe(false)
    expect(onRight('left', true)).toBe(true)
  })
  it('both reach both', () => {
    expect(halves('both')).toEqual(['left', 'right', 'midline'])
    expect(halves('left')).toEqual(['left'])
  })
  it('the front shows in supine and semi-reclined only', () => {
    expect(['supine', 'semi-reclined'].every(facesUp)).toBe(true)
    expect(['prone', 'side-left', 'seated'].some(facesUp)).toBe(false)
  })
})

describe('the table figure', () => {
  const fillOf = (figure: ReturnType<typeof mount>, zone: string, side: string) =>
    figure.find(`[data-zone=${zone}][data-side=${side}]`).attributes('fill')

  it('shows linen where covered, skin where open, clay where worked', () => {
    const figure = mount(TableFigure, {
      props: {
        position: 'prone',
        open: [{ unit: 'leg', side: 'right' }],
        working: { zones: ['calf'], side: 'right', through: false },
      },
    })
    expect(fillOf(figure, 'calf', 'right')).toBe('var(--clay)')
    expect(fillOf(figure, 'hamstrings', 'right')).toBe('var(--skin)')
    expect(fillOf(figure, 'hamstrings', 'left')).toBe('var(--linen)')
    expect(fillOf(figure, 'neck-back', 'left')).toBe('var(--skin)')
  })
  it('hatches work through the sheet', () => {
    const figure = mount(TableFigure, {
      props: { position: 'prone', working: { zones: ['gluteals'], side: 'left', through: true } },
    })
    expect(fillOf(figure, 'gluteals', 'left')).toBe('url(#clay-hatch)')
    expect(fillOf(figure, 'gluteals', 'right')).toBe('var(--linen)')
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
  it('keeps every capsule on the table and every zone once a view', () => {
    for (const view of [BACK, FRONT]) {
      expect(new Set(view.map((s) => s.zone)).size).toBe(view.length)
      for (const s of view) {
        expect(60 + s.dx + s.w).toBeLessThanOrEqual(106)
        expect(s.y + s.h).toBeLessThanOrEqual(253)
      }
    }
  })
})
