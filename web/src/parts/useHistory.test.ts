import { shallowRef } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import { useHistory } from './useHistory'

function history(start: string | undefined = 'a') {
  const now = shallowRef<string | undefined>(start)
  const changed = vi.fn()
  return { now, changed, ...useHistory(now, changed) }
}

describe('acts', () => {
  it('are taken back and done again in their order', () => {
    const h = history()
    h.act('to b', 'b')
    h.act('to c', 'c')
    h.undo()
    expect(h.now.value).toBe('b')
    expect(h.undoable.value).toBe('to b')
    expect(h.redoable.value).toBe('to c')
    h.undo()
    h.undo()
    expect(h.now.value).toBe('a')
    expect(h.undoable.value).toBeUndefined()
    h.redo()
    h.redo()
    h.redo()
    expect(h.now.value).toBe('c')
  })
  it('tell what comes next before anything shows it', () => {
    const now = shallowRef<string | undefined>('a')
    const seen: unknown[] = []
    const h = useHistory(now, (next) => seen.push([next, now.value, h.undoable.value]))
    h.act('to b', 'b')
    h.undo()
    expect(seen).toEqual([
      ['b', 'a', undefined],
      ['a', 'b', 'to b'],
    ])
  })
  it('that change nothing are none', () => {
    const h = history()
    h.act('nothing', 'a')
    expect(h.undoable.value).toBeUndefined()
    expect(h.changed).not.toHaveBeenCalled()
  })
  it('before anything is there are none', () => {
    const h = history(undefined)
    const now = shallowRef<string>()
    const other = useHistory(now, h.changed)
    other.act('too early', 'b')
    other.remember('too early')
    other.undo()
    expect(now.value).toBeUndefined()
    expect(other.undoable.value).toBeUndefined()
  })
  it('after one that was taken back forget what could be done again', () => {
    const h = history()
    h.act('to b', 'b')
    h.undo()
    h.act('to c', 'c')
    expect(h.redoable.value).toBeUndefined()
  })
  it('are told in one line, each once, at most 200 characters', () => {
    const h = history()
    expect(h.summary()).toBe('Edited')
    for (const [i, act] of ['one', 'two', 'one', 'three', 'four', 'five'].entries()) h.act(act, String(i))
    expect(h.summary()).toBe('one; two; three; and 2 more')
    h.acts.value = ['x'.repeat(300)]
    expect(h.summary()).toHaveLength(200)
  })
  it('go back two hundred at most, and are forgotten at once when asked', () => {
    const h = history()
    for (let i = 0; i < 230; i++) h.act('step', String(i))
    for (let i = 0; i < 230; i++) h.undo()
    expect(h.now.value).toBe('29')
    h.redo()
    h.forget()
    expect(h.undoable.value).toBeUndefined()
    expect(h.redoable.value).toBeUndefined()
  })
})
