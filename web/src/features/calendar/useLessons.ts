import { computed, ref, type Ref } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import {
  addLesson,
  aimOf,
  changeLesson,
  moveLesson,
  removeLesson,
  type Aim,
  type Curriculum,
  type Lesson,
} from './term'

/** What is picked of a term, a region in a week or a whole week, and what is done to its lessons, each as one act. */
export function useLessons(
  plan: {
    curriculum: Readonly<Ref<Curriculum | undefined>>
    act: (what: string, next: Curriculum) => void
  },
  /** A sequence that was sent here to be put into a week of its region. */
  sent: Readonly<Ref<Schema['SequenceLine'] | undefined>>,
  /** Something was picked: its panel comes to the front. */
  shown: () => void,
) {
  const session = useSession()
  const { curriculum } = plan
  const cell = ref<{ region: string; week: number }>()
  const week = ref<number>()
  const lesson = ref<string>()
  /** The week that is looked at, whole or in one region. */
  const shownWeek = computed(() => cell.value?.week ?? week.value)
  const here = computed<Lesson[]>(() =>
    (curriculum.value?.lessons ?? []).filter(
      (l) => l.week === shownWeek.value && (!cell.value || l.region === cell.value.region),
    ),
  )
  const at = (region: string, w: number) =>
    (curriculum.value?.lessons ?? []).filter((l) => l.region === region && l.week === w)
  const named = (l: Lesson) => `${aimOf(l.aim).name} ${session.regionName(l.region).toLowerCase()}`
  function on(what: string, edit: (c: Curriculum) => Curriculum) {
    if (curriculum.value) plan.act(what, edit(curriculum.value))
  }

  function pick(region: string, w: number) {
    cell.value = { region, week: w }
    week.value = undefined
    lesson.value = at(region, w)[0]?.id
    shown()
  }
  function pickWeek(w: number) {
    week.value = w
    cell.value = undefined
    lesson.value = undefined
    shown()
  }
  function pickLesson(l: Lesson) {
    pick(l.region, l.week)
    lesson.value = l.id
  }
  function add(region: string, w: number, aim: Aim) {
    if (!curriculum.value) return
    const sequence = sent.value?.region === region ? sent.value.id : undefined
    const made = addLesson(curriculum.value, w, region, aim, sequence)
    plan.act(`${aimOf(aim).name} ${session.regionName(region).toLowerCase()}, week ${w}`, made.curriculum)
    pick(region, w)
    lesson.value = made.id
  }
  function change(l: Lesson, what: string, patch: Partial<Lesson>) {
    on(`${what} of “${named(l)}”`, (c) => changeLesson(c, l.id, patch))
    if (patch.week && cell.value) cell.value = { region: l.region, week: patch.week }
  }
  function shift(id: string, w: number) {
    on(`Moved to week ${w}`, (c) => moveLesson(c, id, w))
    const moved = curriculum.value?.lessons.find((l) => l.id === id)
    if (moved) pickLesson(moved)
  }
  const remove = (l: Lesson) => on(`Took out ${named(l).toLowerCase()}`, (c) => removeLesson(c, l.id))
  function removeLast(region: string, w: number) {
    const last = at(region, w).at(-1)
    if (last) remove(last)
  }
  return {
    cell,
    week,
    lesson,
    shownWeek,
    here,
    pick,
    pickWeek,
    pickLesson,
    add,
    change,
    shift,
    remove,
    removeLast,
  }
}
