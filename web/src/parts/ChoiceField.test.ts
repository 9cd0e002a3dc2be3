import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ChoiceField from './ChoiceField.vue'

const field = (props: object) =>
  mount(ChoiceField as unknown as { new (): { $props: object } }, {
    props: { label: 'Side', ...props },
  })

describe('one of a few', () => {
  it('chooses none on its first line, and says so', async () => {
    const f = field({ none: 'both', options: ['left', 'right'], modelValue: 'left' })
    expect(f.find('select').element.value).toBe('left')
    await f.find('select').setValue('')
    await f.find('select').setValue('right')
    expect(f.emitted('update:modelValue')).toEqual([[undefined], ['right']])
  })
  it('keeps a number a number', async () => {
    const f = field({
      options: [
        { id: 2, name: 'two' },
        { id: 3, name: 'three', off: true },
      ],
      modelValue: 2,
    })
    expect(f.findAll('option').map((o) => [o.text(), o.element.disabled])).toEqual([
      ['two', false],
      ['three', true],
    ])
    await f.find('select').setValue('3')
    expect(f.emitted('update:modelValue')).toEqual([[3]])
  })
  it('shows what belongs together under its name, between lines of their own', () => {
    const f = field({ options: ['neck', { group: 'Of other regions', options: ['jaw', 'thigh-front'] }] })
    expect(f.find('select').element.children.length).toBe(2)
    expect(f.find('optgroup').attributes('label')).toBe('Of other regions')
    expect(f.findAll('optgroup option').map((o) => o.text())).toEqual(['jaw', 'thigh front'])
  })
  it('has no way back to none where one is required', () => {
    const first = field({ none: 'Choose…', required: true, options: ['left'] }).find('option')
    expect([first.text(), first.element.disabled]).toEqual(['Choose…', true])
  })
  it.each([
    [{}, 'LABEL', undefined],
    [{ bare: true }, 'SPAN', 'Side'],
    [{ heard: 'Side of the step' }, 'LABEL', 'Side of the step'],
  ])('is heard by its label however it is shown: %o', (props, tag, heard) => {
    const f = field({ options: ['left'], ...props })
    expect([f.element.tagName, f.find('select').attributes('aria-label')]).toEqual([tag, heard])
    expect(f.text().startsWith('Side')).toBe(tag === 'LABEL')
  })
})
