import { describe, expect, it } from 'vitest'
import {
  addLesson,
  AIMS,
  byWeek,
  changeLesson,
  fillOf,
  minutesOf,
  moveLesson,
  regionsOf,
  removeLesson,
  roomiest,
  toggleOff,
  type Curriculum,
  type Lesson,
} from './term'

const lesson = (id: string, week: number, lab: number, region = 'neck', more: Partial<Lesson> = {}): Lesson =>
  ({ id, week, lab, region, aim: 'teach', minutes: 40, note: '', ...more }) as Lesson
const term = (...lessons: Lesson[]): Curriculum => ({
  id: 't',
  name: 'Term',
  weeks: 6,
  labsAWeek: 2,
  labMinutes: 120,
  targetHours: 0,
  regionHours: {},
  kindHours: {},
  off: [],
  lessons,
  times: [],
})

describe('lessons of a term', () => {
  it('are added to the lab with the most room, with the sequence of their region', () => {
    const c = term(lesson('l1', 2, 1, 'neck', { sequence: 'nape' }))
    const made = addLesson(c, 2, 'neck', 'assess')
    const added = made.curriculum.lessons.find((l) => l.id === made.id)!
    expect(added).toMatchObject({ week: 2, lab: 2, aim: 'assess', minutes: 60, sequence: 'nape' })
    expect(addLesson(c, 2, 'jaw', 'teach', 'chew').curriculum.lessons.at(-1)!.sequence).toBe('chew')
    expect(c.lessons).toHaveLength(1)
  })
  it('never stand before what their region does in that week already', () => {
    const c = term(lesson('a', 2, 1, 'jaw'), lesson('b', 2, 2, 'neck', { minutes: 100 }))
    expect(addLesson(c, 2, 'neck', 'practise').curriculum.lessons.at(-1)).toMatchObject({
      lab: 2,
      aim: 'practise',
    })
    expect(addLesson(c, 2, 'foot', 'teach').curriculum.lessons.find((l) => l.region === 'foot')!.lab).toBe(1)
  })
  it('get ids that nobody has', () => {
    const c = term(lesson('l2', 1, 1))
    expect(addLesson(c, 1, 'neck', 'teach').id).toBe('l3')
  })
  it('stand in the order of their labs', () => {
    const c = changeLesson(term(lesson('a', 1, 1), lesson('b', 2, 1)), 'a', { week: 3 })
    expect(c.lessons.map((l) => l.id)).toEqual(['b', 'a'])
  })
  it('move to another week, and nowhere outside the term', () => {
    const c = term(lesson('a', 1, 1), lesson('b', 4, 1))
    expect(moveLesson(c, 'a', 4).lessons.map((l) => [l.id, l.week, l.lab])).toEqual([
      ['b', 4, 1],
      ['a', 4, 2],
    ])
    expect(moveLesson(c, 'a', 7)).toBe(c)
    expect(moveLesson(c, 'a', 0)).toBe(c)
    expect(moveLesson(c, 'x', 2)).toBe(c)
  })
  it('are taken out', () => expect(removeLesson(term(lesson('a', 1, 1)), 'a').lessons).toEqual([]))
  it('are found by week and counted in minutes', () => {
    const c = term(lesson('a', 1, 1), lesson('b', 1, 2, 'neck', { minutes: 20 }), lesson('c', 1, 1, 'jaw'))
    expect(byWeek(c, 'neck').get(1)).toHaveLength(2)
    expect(minutesOf(c, 1)).toBe(100)
    expect(minutesOf(c, 1, 2)).toBe(20)
    expect(roomiest(c, 1)).toBe(2)
    expect(regionsOf(c)).toEqual(['neck', 'jaw'])
  })
})

describe('a term', () => {
  it('has weeks off, in order, and on again', () => {
    const c = toggleOff(toggleOff(term(), 5), 2)
    expect(c.off).toEqual([2, 5])
    expect(toggleOff(c, 5).off).toEqual([2])
  })
  it('fills a palm one quarter an aim', () => {
    expect(AIMS.map((a) => fillOf(a.id))).toEqual([0, 1, 2, 3, 4])
    expect(fillOf(undefined)).toBe(0)
    expect(new Set(AIMS.map((a) => a.letter)).size).toBe(5)
  })
})
