import { mount } from '@vue/test-utils'
import { afterEach, expect, it } from 'vitest'
import type { Picture } from '@/parts/picture'
import StepReach from './StepReach.vue'
import { STATURES, therapist } from './useTherapist'

const of = (within: boolean) =>
  ({ facts: { reach: 1021, comfortable: 906, within, table: 733 } }) as unknown as Picture

afterEach(() => (therapist.value = 1.7))

it('says how far it is, how far is easy and how high the table stands', () => {
  const said = mount(StepReach, { props: { picture: of(false) } })
  expect(said.findAll('span').map((s) => s.text())).toEqual([
    '102 cm from the feet, 91 cm in easy reach',
    'table at 73 cm',
  ])
  expect(said.find('.far').exists()).toBe(true)
  expect(
    mount(StepReach, { props: { picture: of(true) } })
      .find('.far')
      .exists(),
  ).toBe(false)
})

it('asks for another height', async () => {
  const said = mount(StepReach, { props: { picture: of(true) } })
  expect([STATURES[0], STATURES.at(-1)]).toEqual([1.4, 2])
  await said.find('select').setValue('1.55')
  expect(therapist.value).toBe(1.55)
})
