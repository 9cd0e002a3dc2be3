/** Minutes after midnight as the clock on the wall shows them: 545 is 09:05. */
export const clock = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`

/** The minutes after midnight of a time field, undefined while it is not filled in. */
export function minutesOf(time: string): number | undefined {
  const m = /^(\d{1,2}):(\d{2})/.exec(time)
  return m ? Number(m[1]) * 60 + Number(m[2]) : undefined
}

/** A day without a time, as people of the school say it: Thu 3 Dec. */
export const dayOf = (date: string) =>
  new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
