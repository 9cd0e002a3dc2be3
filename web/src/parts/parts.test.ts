import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import DoseFields from './DoseFields.vue'
import FindingCard from './FindingCard.vue'
import HandShape from './HandShape.vue'

const TOOLS: Schema['Technique']['tool'][] = [
  'palm',
  'forearm',
  'loose-fist',
  'knuckles',
  'reinforced-fingers',
  'finger-pads',
  'heel-of-hand',
  'pincer',
  'supported-thumb',
  'bare-thumb',
  'elbow',
]

describe('the drawing of a hand', () => {
  it.each(TOOLS)('of %s is its own, and shows what touches in clay', (tool) => {
    const html = mount(HandShape, { props: { tool } }).html()
    expect(html).toContain('var(--clay)')
    for (const other of TOOLS)
      if (other !== tool) expect(mount(HandShape, { props: { tool: other } }).html()).not.toBe(html)
  })
  it('supports the thumb with the other hand only where it is supported', () => {
    const other = (tool: string) =>
      mount(HandShape, { props: { tool } }).html().includes('var(--linen-shade)')
    expect(other('supported-thumb')).toBe(true)
    expect(other('reinforced-fingers')).toBe(true)
    expect(other('bare-thumb')).toBe(false)
  })
  it('says what it is', () => {
    expect(mount(HandShape, { props: { tool: 'palm', label: 'The palm' } }).attributes('aria-label')).toBe(
      'The palm',
    )
  })
})

describe('the fields of a dose', () => {
  const fields = (dose: Schema['Dose'], of?: string) => mount(DoseFields, { props: { dose, of } })
  const last = (f: ReturnType<typeof fields>) => f.emitted('change')!.at(-1)![0]
  it('show the numbers of the kind and no others', () => {
    expect(fields({ kind: 'seconds', seconds: 30 }).findAll('input')).toHaveLength(1)
    expect(fields({ kind: 'passes', seconds: 10, count: 6 }).findAll('input')).toHaveLength(2)
    expect(fields({ kind: 'cycles', count: 60, perSecond: 1 }).text()).toContain('A second')
  })
  it('change one number and leave the other', async () => {
    const f = fields({ kind: 'passes', seconds: 10, count: 6 })
    await f.findAll('input')[0]!.setValue('7.6')
    expect(last(f)).toEqual({ kind: 'passes', seconds: 10, count: 8 })
    await f.findAll('input')[1]!.setValue('12')
    expect(last(f)).toEqual({ kind: 'passes', seconds: 12, count: 6 })
  })
  it('take nothing for no change', async () => {
    const f = fields({ kind: 'seconds', seconds: 30 })
    await f.find('input').setValue('')
    expect(f.emitted('change')).toBeUndefined()
  })
  it.each([
    ['seconds', { kind: 'seconds', seconds: 60 }],
    ['until-soft', { kind: 'until-soft', seconds: 60 }],
    ['holds', { kind: 'holds', seconds: 10, count: 6 }],
    ['breaths', { kind: 'breaths', seconds: 10, count: 6 }],
    ['cycles', { kind: 'cycles', count: 60, perSecond: 1 }],
  ])('keep the time of six passes when it is measured in %s', async (kind, dose) => {
    const f = fields({ kind: 'passes', seconds: 10, count: 6 })
    await f.find('select').setValue(kind)
    expect(last(f)).toEqual(dose)
  })
  it('are told apart where there are two doses', () => {
    expect(
      fields({ kind: 'seconds', seconds: 30 }, 'Second side').find('input').attributes('aria-label'),
    ).toBe('Second side: seconds')
  })
})

describe('a finding', () => {
  const finding = { severity: 'warn', rule: 'TERM-FULL', sentence: 'Too much.', remedy: 'Move some.' }
  it('says what, why and how to mend it', async () => {
    const card = mount(FindingCard, { props: { finding, mend: 'Move it' } })
    expect(card.text()).toContain('Warn TERM-FULL')
    expect(card.text()).toContain('Too much.')
    expect(card.text()).toContain('Move some.')
    await card.findAll('button')[0]!.trigger('click')
    expect(card.emitted('open')).toHaveLength(1)
    await card.findAll('button')[1]!.trigger('click')
    expect(card.emitted('mend')).toHaveLength(1)
  })
  it('offers no mend where there is none, and none while one is under way', () => {
    expect(mount(FindingCard, { props: { finding } }).findAll('button')).toHaveLength(1)
    const busy = mount(FindingCard, { props: { finding, mend: 'Move it', busy: true } })
    expect(busy.findAll('button')[1]!.attributes('disabled')).toBeDefined()
  })
})
