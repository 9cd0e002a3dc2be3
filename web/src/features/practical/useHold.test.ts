import { expect, it } from 'vitest'
import { useHold } from './useHold'

function made() {
  let at = 0
  const written: [boolean, number][] = []
  const hold = useHold(
    () => at,
    (on) => written.push([on, at]),
  )
  return { hold, written, at: (ms: number) => (at = ms) }
}

it('pressed as long as it lasts is one hold', () => {
  const { hold, written, at } = made()
  hold.down()
  at(8000)
  hold.up()
  expect(written).toEqual([
    [true, 0],
    [false, 8000],
  ])
  expect(hold.holding.value).toBe(false)
})

it('tapped at its beginning and its end is one hold too', () => {
  const { hold, written, at } = made()
  hold.down()
  at(120)
  hold.up()
  expect(hold.holding.value).toBe(true)
  at(9000)
  hold.down()
  at(9100)
  hold.up()
  expect(written).toEqual([
    [true, 0],
    [false, 9100],
  ])
})

it('a finger that slides off the button lets go once', () => {
  const { hold, written, at } = made()
  hold.down()
  at(5000)
  hold.up()
  hold.up()
  expect(written).toHaveLength(2)
})
