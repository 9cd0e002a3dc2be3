import { expect, test } from 'vitest'
import { clock, dayOf, minutesOf } from './clock'

test('a minute of the day is told as the clock shows it, and read again', () => {
  expect(clock(545)).toBe('09:05')
  expect(clock(0)).toBe('00:00')
  for (let m = 0; m < 1440; m++) expect(minutesOf(clock(m))).toBe(m)
  expect(minutesOf('')).toBeUndefined()
})

test('a date without a time is that day in every time zone', () => {
  expect(dayOf('2026-12-03')).toBe('Thu 3 Dec')
})
