import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import AddField from './AddField.vue'

const props = (offered: { id: string; name: string }[]) => ({ label: 'Add a region', first: 'Add…', offered })

describe('what may be added', () => {
  it('is told once, and the field never stands on one that was not picked', async () => {
    const field = mount(AddField, {
      props: props([
        { id: 'neck', name: 'Neck' },
        { id: 'jaw', name: 'Jaw' },
      ]),
    })
    const select = field.find('select')
    await select.setValue('neck')
    expect(field.emitted('add')).toEqual([['neck']])
    await field.setProps(props([{ id: 'jaw', name: 'Jaw' }]))
    expect(select.element.value).toBe('')
    await select.setValue('jaw')
    expect(field.emitted('add')).toEqual([['neck'], ['jaw']])
    await select.setValue('')
    expect(field.emitted('add')).toHaveLength(2)
  })
})
