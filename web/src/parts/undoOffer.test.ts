import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import UndoOffer from './UndoOffer.vue'
import { offerUndo, undoOffer } from './undoOffer'

const press = (page: ReturnType<typeof mount>, name: string) =>
  page
    .findAll('button')
    .find((b) => b.text() === name)!
    .trigger('click')
beforeEach(() => (undoOffer.value = undefined))

describe('what was taken away', () => {
  it('is said with the way back, and gone once it is back', async () => {
    const undo = vi.fn(async () => undefined)
    const page = mount(UndoOffer)
    expect(page.find('.offer').exists()).toBe(false)
    offerUndo('Gus is out of this term.', undo)
    await page.vm.$nextTick()
    expect(page.find('p').text()).toBe('Gus is out of this term.')
    await press(page, 'Undo')
    await vi.waitFor(() => expect(page.find('.offer').exists()).toBe(false))
    expect(undo).toHaveBeenCalledOnce()
  })
  it('stays with the reason where it could not be brought back', async () => {
    const page = mount(UndoOffer)
    offerUndo('The note is gone.', () => Promise.reject({ detail: 'Nobody answers.' }))
    await page.vm.$nextTick()
    await press(page, 'Undo')
    await vi.waitFor(() => expect(page.find('p').text()).toContain('Nobody answers.'))
    await press(page, '×')
    expect(undoOffer.value).toBeUndefined()
  })
  it('is the last thing alone, also while an earlier one comes back', async () => {
    let done = () => {}
    offerUndo('One.', () => new Promise<void>((r) => (done = r)))
    const page = mount(UndoOffer)
    await press(page, 'Undo')
    offerUndo('Two.', async () => undefined)
    done()
    await page.vm.$nextTick()
    await Promise.resolve()
    expect(page.find('p').text()).toBe('Two.')
  })
})
