import { mount } from '@vue/test-utils'
import { computed, ref } from 'vue'
import { describe, expect, it, onTestFinished, vi } from 'vitest'
import VersionedEditor from './VersionedEditor.vue'
import type { Edited } from './useVersioned'

function editor(saves: boolean, slots: Record<string, string> = {}) {
  const draft = {
    view: computed(() => ({ version: 4, history: { lines: [] } })),
    problem: ref(),
    failed: ref(),
    loading: ref(false),
    busy: ref(false),
    dirty: computed(() => true),
    restored: ref(false),
    theirs: ref(),
    undoable: computed(() => 'Moved step 2'),
    redoable: computed(() => undefined),
    read: vi.fn(),
    undo: vi.fn(),
    redo: vi.fn(),
    save: vi.fn(),
    takeTheirs: vi.fn(),
    drop: vi.fn(),
    close: vi.fn(),
  }
  const page = mount(VersionedEditor, {
    attachTo: document.body,
    props: {
      draft: draft as unknown as Edited,
      name: 'Calves',
      said: 'Lower leg',
      saves,
      back: '/plan',
      backLabel: 'Back to all sequences',
    },
    slots: { default: '<input class="field" />', ...slots },
    global: { stubs: { 'router-link': { template: '<a><slot /></a>' } } },
  })
  onTestFinished(() => page.unmount())
  const press = (key: string, on: EventTarget = document.body, more: KeyboardEventInit = {}) => {
    const e = new KeyboardEvent('keydown', { key, ctrlKey: true, bubbles: true, cancelable: true, ...more })
    on.dispatchEvent(e)
    return e
  }
  return { draft, page, press, field: () => page.find('.field').element }
}

describe('the frame of an editor', () => {
  it('says what is edited and how it stands', () => {
    const { page } = editor(true)
    expect(page.find('h1').text()).toBe('Calves')
    expect(page.find('.named .soft').text()).toBe('Lower leg · version 4, with changes not saved')
    expect(page.find('[aria-label=Undo]').attributes('title')).toBe('Undo: Moved step 2')
    expect(page.find('[aria-label=Redo]').attributes('disabled')).toBeDefined()
  })
  it('saves, takes back and does again by its keys', () => {
    const { draft, press } = editor(true)
    expect(press('s').defaultPrevented).toBe(true)
    expect(draft.save).toHaveBeenCalledOnce()
    press('z')
    expect(draft.undo).toHaveBeenCalledOnce()
    expect(draft.redo).not.toHaveBeenCalled()
    press('Z', document.body, { shiftKey: true })
    press('y')
    expect(draft.redo).toHaveBeenCalledTimes(2)
  })
  it('leaves a field its own undo, and saves from it', () => {
    const { draft, press, field } = editor(true)
    expect(press('z', field()).defaultPrevented).toBe(false)
    expect(draft.undo).not.toHaveBeenCalled()
    press('s', field())
    expect(draft.save).toHaveBeenCalledOnce()
  })
  it('does not save for who may not, and says who does', () => {
    const { draft, page, press } = editor(false)
    expect(press('s').defaultPrevented).toBe(true)
    expect(draft.save).not.toHaveBeenCalled()
    expect(page.text()).toContain('Instructors save')
    expect(page.findAll('.top .push').map((b) => b.text())).not.toContain('Save')
  })
  it('is saved by its main button, but where another act comes after', () => {
    const save = (slots = {}) =>
      editor(true, slots)
        .page.findAll('.top .push')
        .find((b) => b.text() === 'Save')!
    expect(save().classes()).toContain('main')
    expect(save({ acts: '<button class="push main">Show it</button>' }).classes()).not.toContain('main')
  })
})
