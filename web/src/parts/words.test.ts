import { describe, expect, it } from 'vitest'
import { capital, doseWords, mmss, points, together, word } from './words'

describe('times', () => {
  it.each([
    [0, '0:00'],
    [75.4, '1:15'],
    [59.6, '1:00'],
    [3600, '60:00'],
    [-75, '−1:15'],
    [-0.2, '0:00'],
  ])('%d seconds are read as %s', (seconds, text) => expect(mmss(seconds)).toBe(text))
})

describe('scores', () => {
  it('are whole points', () => expect(points(79.6)).toBe('80'))
  it('that were not observed are a dash, never a zero', () => {
    expect(points(undefined)).toBe('–')
    expect(points(null)).toBe('–')
    expect(points(0)).toBe('0')
  })
})

describe('doses', () => {
  it.each([
    [{ kind: 'seconds', seconds: 90 }, '1:30'],
    [{ kind: 'passes', seconds: 15, count: 4 }, '4 × 15 s'],
    [{ kind: 'holds', seconds: 6, count: 8 }, '8 holds × 6 s'],
    [{ kind: 'cycles', count: 90, perSecond: 1.5 }, '90 at 1.5/s'],
    [{ kind: 'breaths', count: 3 }, '3 breaths'],
    [{ kind: 'until-soft', seconds: 90 }, 'until soft, ≤ 90 s'],
  ])('of %o are written as %s', (dose, text) => expect(doseWords(dose)).toBe(text))
})

it('numbers stay in one line with what they count', () => {
  expect(together('heel → knee, 4 × 15 s, 22 mm a second')).toBe(
    'heel → knee, 4\u00a0×\u00a015\u00a0s, 22\u00a0mm a second',
  )
  expect(together('3 sides of 5 strokes')).toBe('3 sides of 5 strokes')
})

it('ids become words', () => {
  expect(word('thigh-front')).toBe('thigh front')
  expect(capital('stop')).toBe('Stop')
})
