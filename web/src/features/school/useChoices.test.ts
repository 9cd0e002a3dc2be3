import { describe, expect, it } from 'vitest'
import { useChoices } from './useChoices'

const consent = { id: 'consent', chosen: { a: 'now', b: 'start' } }
const silence = { id: 'silence', name: 'Largest silence', chosen: { a: 180 } }
const zones = { id: 'sensitive', question: 'Which zones?', chosen: { a: ['calf', 'neck'] } }

describe('answers that are not saved yet', () => {
  it('are those that differ from what is stored', () => {
    const c = useChoices('a')
    c.answer('settings', 'Consent', consent, 'start')
    c.number(silence, 90)
    c.zones(zones, ['neck', 'calf'])
    expect(c.now.value).toMatchObject({ settings: { consent: 'start' }, numbers: { silence: 90 }, zones: {} })
    c.answer('settings', 'Consent', consent, 'now')
    c.number(silence, 180)
    expect(c.dirty.value).toBe(false)
  })
  it('are taken back one by one, and done again', () => {
    const c = useChoices('a')
    c.answer('scope', 'Jaw', consent, 'start')
    c.zones(zones, [])
    c.zones(zones, ['calf'])
    expect(c.undoable.value).toBe('Which zones?')
    c.undo()
    c.undo()
    expect(c.now.value).toMatchObject({ scope: { consent: 'start' }, zones: {} })
    c.redo()
    expect(c.now.value.zones).toEqual({ sensitive: [] })
  })
  it('have no step to take back where nothing changed, nor after they were stored', () => {
    const c = useChoices('a')
    c.answer('settings', 'Consent', consent, 'now')
    expect(c.undoable.value).toBeUndefined()
    c.number(silence, 90)
    c.number(silence, 90)
    c.undo()
    expect(c.undoable.value).toBeUndefined()
    c.number(silence, 60)
    c.clear()
    expect(c.dirty.value).toBe(false)
    expect(c.undoable.value).toBeUndefined()
  })
})
