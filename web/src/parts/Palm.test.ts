import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { AS_THE_HAND_LIES, FINGERS } from './criteria'
import Palm from './Palm.vue'

const bars = (state: string, fill: number) => FINGERS.map((f) => ({ criterion: f.id, state, fill }))

describe('the palm', () => {
  it('says all five, thumb first, to those who do not see it', () => {
    const palm = mount(Palm, { props: { bars: bars('secure', 4), secure: 5, label: 'Ana, Neck' } })
    expect(palm.attributes('aria-label')).toBe(
      'Ana, Neck: Pressure secure, Order secure, Mechanics secure, Communication secure, Draping secure',
    )
    expect(palm.text()).toBe('5')
  })
  it('draws what was not seen dashed and without a number', () => {
    const palm = mount(Palm, { props: { bars: bars('not seen', 0), secure: 0 } })
    expect(palm.findAll('[stroke-dasharray]')).toHaveLength(6)
    expect(palm.text()).toBe('')
  })
  it('tells due again by a ring and open critical by a cross, not by colour alone', () => {
    expect(mount(Palm, { props: { bars: bars('due again', 3) } }).findAll('circle')).toHaveLength(5)
    expect(mount(Palm, { props: { bars: bars('open critical', 3) } }).findAll('path')).toHaveLength(5)
    expect(mount(Palm, { props: { bars: bars('secure', 3) } }).findAll('circle, path')).toHaveLength(0)
  })
  it('fills each bar in four steps', () => {
    const heights = [1, 2, 3, 4].map((fill) =>
      Number(
        mount(Palm, { props: { bars: bars('emerging', fill) } })
          .findAll('g rect')[1]!
          .attributes('height'),
      ),
    )
    expect(heights).toEqual([5.5, 11, 16.5, 22])
  })
})

it('lies as the left hand lies on the keyboard: A S D F and space', () => {
  expect(AS_THE_HAND_LIES.map((f) => f.keyName)).toEqual(['A', 'S', 'D', 'F', 'space'])
  expect(FINGERS.map((f) => f.letter).join('')).toBe('POMCD')
})
