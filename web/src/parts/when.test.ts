import { afterEach, expect, test } from 'vitest'
import { dateOf, setSchoolZone, timeOf } from './when'
import { day } from './words'

afterEach(() => setSchoolZone('UTC'))

test('a moment is told by the clock on the school’s wall, wherever the device is', () => {
  const moment = '2026-12-03T23:30:00Z'
  setSchoolZone('Europe/Oslo')
  expect(timeOf(moment)).toBe('00:30')
  expect(day(moment)).toBe('Fri 4 Dec')
  expect(dateOf(moment)).toBe('2026-12-04')
  setSchoolZone('America/St_Johns')
  expect(timeOf(moment)).toBe('20:00')
  expect(day(moment)).toBe('Thu 3 Dec')
})

test('daylight saving is that of the school', () => {
  setSchoolZone('Europe/Oslo')
  // The clocks go back on the last Sunday of October at 01:00 UTC (EU Directive 2000/84/EC).
  expect(timeOf('2026-10-25T00:30:00Z')).toBe('02:30')
  expect(timeOf('2026-10-25T01:30:00Z')).toBe('02:30')
})

test('a zone this browser does not know leaves the device’s own', () => {
  setSchoolZone('Nowhere/Quay')
  expect(timeOf('2026-12-03T12:00:00Z')).toMatch(/^\d\d:\d\d$/)
})
