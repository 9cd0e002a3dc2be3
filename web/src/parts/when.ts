/** Where the clock on the school's wall is; until it is known the device's own zone is taken. */
let zone: string | undefined

/** Says where, by its name in the tz database; a name this browser does not know leaves its own. */
export function setSchoolZone(name: string) {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: name })
    zone = name
  } catch {
    zone = undefined
  }
}

/** A moment as the school's clock shows it. */
export const inSchool = (iso: string | number, as: Intl.DateTimeFormatOptions) =>
  new Date(iso).toLocaleString('en-GB', { ...as, timeZone: zone })

/** A moment's hours and minutes by the school's clock: 18:05. */
export const timeOf = (iso: string | number) => inSchool(iso, { hour: '2-digit', minute: '2-digit' })

/** The date of a moment at the school, as a date field wants it: 2026-12-03. */
export const dateOf = (iso: string | number = Date.now()) =>
  new Date(iso).toLocaleDateString('sv-SE', { timeZone: zone })

/** A date with its year, for what is read years later: 3 Dec 2026. */
export const dayOfYear = (date: string) =>
  new Date(`${date.slice(0, 10)}T00:00:00Z`).toLocaleDateString('en-GB', {
    timeZone: 'UTC',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  })
