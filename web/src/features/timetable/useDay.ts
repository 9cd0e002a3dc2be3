import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { offerUndo } from '@/parts/undoOffer'
import { dateOf } from '@/parts/when'
import { day as dayWords } from '@/parts/words'
import { dayOf } from './clock'

export type DayView = Schema['DayView']
export type Sitting = Schema['SittingView']

/** How often a day is read anew while its timetable is looked for. */
const LOOK_MS = 700

/**
 * The days of practicals of a term and the one that is shown: it stands in the address, and without one it is the next that is not
 * over, else the last.
 */
export function useDay(term: string) {
  const route = useRoute()
  const router = useRouter()
  const path = { term }
  const days = useAsked(() => ask(api.GET('/api/terms/{term}/days', { params: { path } })))
  const today = dateOf()
  const shown = computed(() => {
    const all = days.data.value ?? []
    return (
      all.find((d) => d.id === route.query.day) ?? all.find((d) => d.heldOn >= today) ?? all[all.length - 1]
    )
  })
  const chosen = computed({
    get: () => shown.value?.id ?? '',
    set: (day: string) => void router.replace({ query: { day } }),
  })
  const day = useAsked(async () =>
    shown.value
      ? ask(api.GET('/api/terms/{term}/days/{day}', { params: { path: { term, day: shown.value.id } } }))
      : undefined,
  )
  watch(chosen, () => void day.again())
  useIntervalFn(() => {
    if (day.data.value?.searching) void day.again()
  }, LOOK_MS)

  const { busy, failed, during } = useCommand()
  const at = () => ({ path: { term, day: chosen.value } })
  const of = (sitting: string) => ({ path: { term, day: chosen.value, sitting } })
  /** Does something to the day; what comes back is the day as it is then. */
  const to = (act: () => Promise<DayView>) =>
    during(async () => {
      day.data.value = await act()
    })

  const make = (wish: Schema['DayWish']) =>
    during(async () => {
      const made = await ask(api.POST('/api/terms/{term}/days', { params: { path }, body: wish }))
      await days.again()
      chosen.value = made.id
    })
  const change = (wish: Schema['DayWish']) =>
    to(() => ask(api.PUT('/api/terms/{term}/days/{day}', { params: at(), body: wish })))
  async function withdraw() {
    const params = at()
    const name = shown.value ? dayOf(shown.value.heldOn) : ''
    const set = (withdrawn: boolean) =>
      ask(api.PUT('/api/terms/{term}/days/{day}/withdrawn', { params, body: { withdrawn } }))
    const done = await during(async () => {
      await set(true)
      await days.again()
      await router.replace({ query: {} })
    })
    if (done)
      offerUndo(`The practicals of ${name} are taken away.`, async () => {
        await set(false)
        await days.again()
        chosen.value = params.path.day
      })
  }
  const look = () => to(() => ask(api.POST('/api/terms/{term}/days/{day}/search', { params: at() })))
  const stop = () => to(() => ask(api.DELETE('/api/terms/{term}/days/{day}/search', { params: at() })))
  const anew = () => to(() => ask(api.POST('/api/terms/{term}/days/{day}/anew', { params: at() })))
  const show = (yes: boolean) =>
    to(() => ask(api.PUT('/api/terms/{term}/days/{day}/shown', { params: at(), body: { shown: yes } })))
  const setAway = (away: Schema['AwayView'][]) =>
    to(() => ask(api.PUT('/api/terms/{term}/days/{day}/away', { params: at(), body: { away } })))
  const add = (sittings: Schema['SittingWish'][]) =>
    to(() => ask(api.POST('/api/terms/{term}/days/{day}/sittings', { params: at(), body: { sittings } })))
  const put = (sitting: string, place: Schema['PlaceWish']) =>
    to(() =>
      ask(api.PUT('/api/terms/{term}/days/{day}/sittings/{sitting}', { params: of(sitting), body: place })),
    )
  async function remove(s: Sitting) {
    const done = await to(() =>
      ask(api.DELETE('/api/terms/{term}/days/{day}/sittings/{sitting}', { params: of(s.id) })),
    )
    if (done)
      offerUndo(`${s.student.name} is not in this day any more.`, () =>
        add([
          {
            student: s.student.id,
            sequence: s.sequence,
            minutes: s.minutes,
            twice: s.twice,
            retakeOf: s.retakeOf,
          },
        ]),
      )
  }
  /** Begins it with nothing to spare on the table, and opens it where it is the caller's. */
  const started = ref<string>()
  const start = (s: Sitting) =>
    during(async () => {
      const begun = await ask(
        api.POST('/api/terms/{term}/days/{day}/sittings/{sitting}/start', {
          params: of(s.id),
          body: { today: [] },
        }),
      )
      await day.again()
      started.value = begun.practical
    })

  return {
    days: days.data,
    listed: days,
    day: day.data,
    asked: day,
    chosen,
    busy,
    failed,
    started,
    make,
    change,
    withdraw,
    look,
    stop,
    anew,
    show,
    setAway,
    add,
    put,
    remove,
    start,
  }
}
/** A re-take that is owed, as it is asked for and as it is called. */
export const retakeWish = (r: Schema['OwedRetake']): Schema['SittingWish'] => ({
  student: r.student,
  sequence: r.sequence,
  retakeOf: r.practical,
})
export const retakeName = (r: Schema['OwedRetake']) =>
  `${r.name}: ${r.sequenceName}, ${r.result === 'fail' ? 'failed' : r.result} ${dayWords(r.startedAt)}`
/** A place as it is, to be changed in a part. */
export const placeOf = (s: Sitting): Schema['PlaceWish'] => ({
  begins: s.begins,
  table: s.table,
  graders: s.graders.map((g) => g.id),
  client: s.client?.id,
  minutes: s.minutes,
  twice: s.twice,
  locked: s.locked,
})
