import type { Schema } from '@/api/client'

export type Curriculum = Schema['Curriculum']
export type Lesson = Schema['Lesson']
export type Aim = Lesson['aim']

/** What a lesson does with a region, in the order a region meets them; the letter is its key. */
export const AIMS: readonly { id: Aim; name: string; letter: string; done: string; minutes: number }[] = [
  { id: 'explain', name: 'Explain', letter: 'E', done: 'explained', minutes: 30 },
  { id: 'teach', name: 'Teach', letter: 'T', done: 'taught', minutes: 45 },
  { id: 'practise', name: 'Practise', letter: 'P', done: 'practised', minutes: 60 },
  { id: 'assess', name: 'Assess', letter: 'A', done: 'assessed', minutes: 60 },
  { id: 'meet-again', name: 'Meet again', letter: 'M', done: 'met again', minutes: 20 },
]
export const aimOf = (id: string) => AIMS.find((a) => a.id === id)!
/** How far a criterion got, as the bars of a palm are filled: 1 taught to 4 met again; what is only explained fills none. */
export const fillOf = (id: string | undefined) =>
  Math.max(
    0,
    AIMS.findIndex((a) => a.id === id),
  )

const inOrder = (lessons: Lesson[]): Lesson[] =>
  lessons
    .map((l, i) => ({ l, i }))
    .sort((a, b) => a.l.week - b.l.week || a.l.lab - b.l.lab || a.i - b.i)
    .map((x) => x.l)

const withLessons = (c: Curriculum, lessons: Lesson[]): Curriculum => ({ ...c, lessons: inOrder(lessons) })

function freshId(c: Curriculum): string {
  let n = c.lessons.length + 1
  while (c.lessons.some((l) => l.id === `l${n}`)) n++
  return `l${n}`
}

/** The lab of a week with the most room, the first of those that are alike; none before `from`. */
export function roomiest(c: Curriculum, week: number, from = 1): number {
  let best = from
  let least = Infinity
  for (let lab = from; lab <= c.labsAWeek; lab++) {
    const minutes = minutesOf(c, week, lab)
    if (minutes < least) {
      least = minutes
      best = lab
    }
  }
  return best
}

export function minutesOf(c: Curriculum, week: number, lab?: number): number {
  return c.lessons
    .filter((l) => l.week === week && (lab === undefined || l.lab === lab))
    .reduce((sum, l) => sum + l.minutes, 0)
}

/** A new lesson in a week, behind what its region does there already; its lab is the one with the most room, its sequence the one the region has in this term. */
export function addLesson(
  c: Curriculum,
  week: number,
  region: string,
  aim: Aim,
  sequence?: string,
): { curriculum: Curriculum; id: string } {
  const id = freshId(c)
  const latest = Math.max(1, ...(byWeek(c, region).get(week) ?? []).map((l) => l.lab))
  const lesson: Lesson = {
    id,
    week,
    lab: roomiest(c, week, latest),
    region: region as Lesson['region'],
    aim,
    minutes: aimOf(aim).minutes,
    sequence: sequence ?? c.lessons.find((l) => l.region === region && l.sequence)?.sequence,
    note: '',
    steps: [],
  }
  return { curriculum: withLessons(c, [...c.lessons, lesson]), id }
}

export function changeLesson(c: Curriculum, id: string, patch: Partial<Lesson>): Curriculum {
  return withLessons(
    c,
    c.lessons.map((l) => (l.id === id ? { ...l, ...patch } : l)),
  )
}

export function removeLesson(c: Curriculum, id: string): Curriculum {
  return withLessons(
    c,
    c.lessons.filter((l) => l.id !== id),
  )
}

/** Moves a lesson to another week, into its own lab there or the roomiest where the week has fewer. */
export function moveLesson(c: Curriculum, id: string, week: number): Curriculum {
  const lesson = c.lessons.find((l) => l.id === id)
  if (!lesson || week < 1 || week > c.weeks || week === lesson.week) return c
  return changeLesson(c, id, { week, lab: roomiest(c, week) })
}

/** Days as the week counts them, 1 Monday. */
export const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']

/** Labs of a week with their times: one for each, evenly over the week where nobody has said. */
export function timesFor(c: Curriculum, labs: number): Curriculum['times'] {
  return Array.from(
    { length: labs },
    (_, i) =>
      c.times[i] ?? {
        day: Math.min(7, 1 + Math.floor((i * 6) / labs) + 1),
        begins: c.times[0]?.begins ?? '18:00',
        room: c.times[0]?.room ?? '',
      },
  )
}

/** Another number of labs a week; where labs have times, each of them has one. */
export function withLabs(c: Curriculum, labs: number): Curriculum {
  return { ...c, labsAWeek: labs, times: c.times.length ? timesFor(c, labs) : [] }
}

export function changeTime(
  c: Curriculum,
  lab: number,
  patch: Partial<Curriculum['times'][number]>,
): Curriculum {
  return { ...c, times: c.times.map((t, i) => (i === lab - 1 ? { ...t, ...patch } : t)) }
}

export function toggleOff(c: Curriculum, week: number): Curriculum {
  const off = c.off.includes(week) ? c.off.filter((w) => w !== week) : [...c.off, week].sort((a, b) => a - b)
  return { ...c, off }
}

/** Lessons of a region by week. */
export function byWeek(c: Curriculum, region: string): Map<number, Lesson[]> {
  const weeks = new Map<number, Lesson[]>()
  for (const l of c.lessons) if (l.region === region) weeks.set(l.week, [...(weeks.get(l.week) ?? []), l])
  return weeks
}

/** Regions of the term in the order in which they first come. */
export function regionsOf(c: Curriculum): string[] {
  return [...new Set(c.lessons.map((l) => l.region as string))]
}
