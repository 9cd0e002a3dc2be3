import type { Schema } from '@/api/client'

export type Detail = Schema['Detail']

/** Nothing more is said of a step than stands on its line. */
export const nothing = (): Detail => ({
  structures: [],
  manner: [],
  limb: [],
  props: [],
  part: [],
  instead: [],
  words: {},
})

/** Whether anything is said. */
export const says = (d: Detail | undefined): boolean =>
  !!d &&
  Object.values(d).some((v) => (v && typeof v === 'object' ? Object.keys(v).length > 0 : v !== undefined))

/** A detail with one thing changed; undefined where nothing is left. */
export function changed<K extends keyof Detail>(
  d: Detail | undefined,
  key: K,
  value: Detail[K],
): Detail | undefined {
  const all: Detail = { ...(d ?? nothing()), [key]: value }
  return says(all) ? all : undefined
}

/** A list with one thing put in, or taken out where it was in. */
export const toggled = <T>(list: readonly T[], one: T): T[] =>
  list.includes(one) ? list.filter((x) => x !== one) : [...list, one]

/** What a field of a number holds, where it is more than nothing. */
export function positive(e: Event): number | undefined {
  const n = (e.target as HTMLInputElement).valueAsNumber
  return Number.isFinite(n) && n > 0 ? n : undefined
}
