import { describe, expect, it } from 'vitest'
import { FINGERS } from '@/parts/criteria'
import { eventWords } from './eventWords'
import type { Criterion } from '@/parts/criteria'
import { alternatives, KINDS, PICKS, RIGHT_HAND } from './fingers'
import type { Tap } from './queue'

const pickAt = (finger: Criterion, key: string) => PICKS[finger].find((p) => p.key === key)

describe('keys', () => {
  it('of the right hand do not collide with the left hand’s, nor with undo, stop, ten and digits', () => {
    const taken = new Set([...FINGERS.map((f) => f.key), 'u', 'x', 't', 'b', 'g', ...'0123456789'])
    expect(RIGHT_HAND.filter((k) => taken.has(k))).toEqual([])
    expect(new Set(RIGHT_HAND).size).toBe(RIGHT_HAND.length)
  })
  it('are one each within a finger, whatever is being done', () => {
    for (const [finger, picks] of Object.entries(PICKS)) {
      expect(new Set(picks.map((p) => p.key)).size, finger).toBe(picks.length)
      for (const p of picks) {
        expect(RIGHT_HAND, p.id).toContain(p.key)
        expect(pickAt(p.finger, p.key)).toBe(p)
      }
    }
  })
  it('what is right and what is wrong cost the same', () => {
    expect(pickAt('mechanics', 'j')?.id).toBe('look-clean')
    expect(pickAt('mechanics', 'k')?.id).toBe('look-bent-elbows')
    expect(pickAt('draping', 'j')?.id).toBe('sheet-clean')
    expect(pickAt('draping', 'k')?.id).toBe('sheet-loose')
  })
  it('every kind of tap has its words', () => {
    expect(KINDS.size).toBe(33)
    for (const k of KINDS.values()) for (const p of k.picks ?? []) expect(p.kind).toBe(k.kind)
  })
  it('every pick has an id of its own', () => {
    const ids = Object.values(PICKS)
      .flat()
      .map((p) => p.id)
    expect(new Set(ids).size).toBe(ids.length)
  })
})

describe('it was something else', () => {
  const of = (kind: Tap['kind'], data: object) => alternatives({ kind, data } as Tap)
  it('a report may have been any other number', () => {
    expect(of('report', { number: 8, source: 'spoken' })[4]!.data).toEqual({ number: 4, source: 'spoken' })
  })
  it('a look stays asked for, and permission stays for its zone', () => {
    const bent = of('look', { faults: [], asked: true }).find((a) => a.label === 'Bent elbows')
    expect(bent!.data).toEqual({ faults: ['bent-elbows'], asked: true })
    const no = of('consent', { answer: 'yes', zone: 'gluteals' }).find((a) => a.label === 'Says no')
    expect(no!.data).toEqual({ answer: 'no', zone: 'gluteals' })
  })
  it('never what it was, and nothing for what has no choice', () => {
    expect(of('report', { number: 8 }).map((a) => a.label)).not.toContain('8')
    expect(of('report-answer', { response: 'eased' }).map((a) => a.label)).not.toContain('Eased')
    expect(of('step-stop', {})).toEqual([])
    expect(of('step-start', { step: 'k' })).toEqual([])
    expect(of('sheet-look', { missed: ['loose'] }).map((a) => a.label)).not.toContain('Loose')
  })
})

describe('the log in words', () => {
  const say = (kind: Tap['kind'], data: object) =>
    eventWords({ kind, data, atMs: 65_000 } as Tap, () => 'Knead')
  it.each([
    ['step-start', { step: 'k', side: 'left' }, '1:05 began “Knead”, left'],
    ['report', { number: 8 }, '1:05 the client said 8'],
    ['report-answer', { response: 'eased' }, '1:05 answer to it: eased'],
    ['look', { faults: ['bent-waist'] }, '1:05 look: bent waist'],
    ['look', { faults: [] }, '1:05 look: clean'],
    ['consent', { answer: 'yes', zone: 'gluteals' }, '1:05 permission for gluteals: yes'],
    ['contact', { zone: 'calf', side: 'right', depth: 4 }, '1:05 touch seen on calf, right, depth 4'],
    ['contact', { structure: 'tibialis-anterior' }, '1:05 touch seen on tibialis anterior'],
    [
      'contact',
      { zone: 'shin', side: 'left', structure: 'tibialis-anterior', depth: 2 },
      '1:05 touch seen on shin, left, tibialis anterior, depth 2',
    ],
    ['attend', { on: false }, '1:05 grader looked away'],
    ['note', { text: 'good' }, '1:05 note: good'],
    ['sheet-look', { missed: [] }, '1:05 sheet: clean'],
    ['sheet-look', { missed: ['left-open', 'loose'] }, '1:05 sheet: left open, loose'],
    ['stroke-fault', { flaw: 'too-light' }, '1:05 stroke: too light'],
    ['client-word', { word: 'cold' }, '1:05 cold, said the client'],
    ['safety-stop', { byClient: true }, '1:05 stop, said the client'],
    ['report', { number: 4, volunteered: true }, '1:05 the client said 4, unasked'],
    ['break', { on: true, text: 'late' }, '1:05 break: late'],
    ['measure', { measured: 'pain', number: 3, after: true }, '1:05 pain after: 3'],
    ['reply', { clear: false, followedUp: true }, '1:05 vague reply, followed up'],
    ['turn', { position: 'side-left' }, '1:05 turned side left'],
  ] as const)('%s', (kind, data, text) => expect(say(kind, data)).toBe(text))
})
