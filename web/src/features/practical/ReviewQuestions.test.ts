import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import ReviewQuestions from './ReviewQuestions.vue'

const asked = { key: 'permission/gluteals', sentence: 'Gluteals: touched at 0:05.', atMs: 5000 }
const PERMISSION = [
  { answer: 'asked', label: 'It was asked' },
  { answer: 'not-asked', label: 'It was not asked' },
]
const step = (n: number) => ({
  key: `step/${n}/right`,
  sentence: `“Step ${n}” was not tapped.`,
  atMs: 1000 * n,
  answers: [
    { answer: 'left-out', label: 'It was left out' },
    { answer: 'not-seen', label: 'I did not see' },
  ],
})
const shown = (steps: number) =>
  mount(ReviewQuestions, {
    props: {
      busy: false,
      criteria: [
        { criterion: 'draping', questions: [{ ...asked, answers: PERMISSION }] },
        { criterion: 'order', questions: Array.from({ length: steps }, (_, n) => step(n)) },
      ] as never,
    },
  })
const press = (page: ReturnType<typeof shown>, label: string) =>
  page
    .findAll('button')
    .find((b) => b.text() === label)!
    .trigger('click')

it('is answered by one tap, and leads to its moment', async () => {
  const page = shown(0)
  expect(page.text()).toContain('One question before the award')
  await press(page, 'It was not asked')
  expect(page.emitted('answer')).toEqual([[[{ question: 'permission/gluteals', said: 'not-asked' }]]])
  await press(page, '0:05')
  expect(page.emitted('moment')).toEqual([[5]])
})

it('two steps are asked one by one, three and more at once', async () => {
  expect(shown(2).findAll('li')).toHaveLength(3)
  const page = shown(4)
  expect(page.findAll('li')).toHaveLength(2)
  expect(page.text()).toContain('4 steps were not tapped')
  await press(page, 'I did not see them')
  expect(page.emitted('answer')![0]![0]).toEqual(
    [0, 1, 2, 3].map((n) => ({ question: `step/${n}/right`, said: 'not-seen' })),
  )
  await press(page, 'each')
  expect(page.findAll('li')).toHaveLength(6)
})

it('is nothing where nothing is asked', () => {
  const page = mount(ReviewQuestions, { props: { busy: false, criteria: [{ questions: [] }] as never } })
  expect(page.text()).toBe('')
})
