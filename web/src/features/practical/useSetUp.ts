import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import { FINGERS, type Criterion } from '@/parts/criteria'
import { briefOf, filled, freeTable, inTheWay, type Place, type Setting } from './places'
import { useFloor } from './useFloor'

/** A look at one criterion takes two minutes. */
const SPOT_MINUTES = 2
const word = (value: unknown) => (typeof value === 'string' ? value : undefined)

/**
 * Practicals before they begin: what is asked, and who stands and lies at each table. The address may say whom to set up: one to look at
 * next, a re-take of a practical, or the two of one with their roles changed.
 *
 * @param open practicals that go on: their tables are taken
 * @param again reads what goes on anew
 */
export function useSetUp(open: () => readonly Schema['PracticalLine'][], again: () => Promise<unknown>) {
  const session = useSession()
  const floor = useFloor()
  const router = useRouter()
  const route = useRoute()
  const term = computed(() => session.term?.id ?? '')
  const { data: people } = useAsked(() =>
    ask(api.GET('/api/terms/{term}/people', { params: { path: { term: term.value } } })),
  )
  const { data: sequences } = useAsked(() => ask(api.GET('/api/sequences')))
  const students = computed(() => people.value?.filter((p) => p.role === 'student') ?? [])
  const graders = computed(
    () => people.value?.filter((p) => p.role !== 'student' && p.id !== session.person?.id) ?? [],
  )
  const { busy, failed, during } = useCommand()

  const brief = reactive({
    sequence: '',
    sides: 'each' as Setting['sides'],
    minutes: undefined as number | undefined,
    criterion: '' as Criterion | '',
    grader: '',
    /** Steps that are not asked. */
    out: [] as string[],
  })
  watch(
    () => brief.criterion,
    (c) => (brief.minutes = c ? SPOT_MINUTES : undefined),
  )
  watch(sequences, (s) => (brief.sequence ||= s?.[0]?.id ?? ''))
  const { data: plan, again: readPlan } = useAsked(async () =>
    brief.sequence
      ? ask(api.GET('/api/sequences/{id}', { params: { path: { id: brief.sequence } } }))
      : undefined,
  )
  /** A line for each table. */
  const places = ref<Place[]>([{ table: 1, student: '', partner: '' }])
  watch(
    () => brief.sequence,
    () => {
      void readPlan()
      brief.out = []
      places.value = places.value.map((p) => ({ ...p, asked: undefined, sides: undefined, ready: undefined }))
    },
  )
  const steps = computed(() =>
    plan.value?.sequence.id === brief.sequence ? plan.value.sequence.blocks.flatMap((b) => b.steps) : [],
  )
  const setting = computed<Setting>(() => {
    const all = steps.value.map((s) => s.id)
    return {
      term: term.value,
      sequence: brief.sequence,
      steps: all,
      sides: brief.sides,
      minutes: brief.minutes,
      criterion: brief.criterion || undefined,
      grader: brief.grader || undefined,
      asked: brief.out.length ? all.filter((id) => !brief.out.includes(id)) : undefined,
    }
  })
  /** Asks a step or leaves it out; one at least is asked. */
  function toggle(step: string) {
    if (brief.out.includes(step)) brief.out = brief.out.filter((x) => x !== step)
    else if (brief.out.length < steps.value.length - 1) brief.out = [...brief.out, step]
  }

  const named = computed(() => places.value.filter((p) => p.student))
  const ready = computed(() => named.value.filter((p) => !inTheWay(p)))
  function another() {
    places.value = [...places.value, { table: freeTable(places.value, open()), student: '', partner: '' }]
  }
  const takeAway = (table: number) => (places.value = places.value.filter((p) => p.table !== table))
  /** Puts at each table whoever has not shown this yet, with a partner who waits. */
  const fill = () =>
    during(async () => {
      const path = { term: term.value, sequence: brief.sequence }
      const had = await ask(api.GET('/api/terms/{term}/sequences/{sequence}/students', { params: { path } }))
      const all = students.value.map((s) => s.id)
      places.value = filled(places.value, all, new Set(had))
    })
  async function start(these: Place[]) {
    let started = ''
    await during(async () => {
      for (const p of these) {
        const view = await ask(api.POST('/api/practicals', { body: briefOf(p, setting.value) }))
        if (!brief.grader) floor.put(view)
        const params = { path: { id: view.id } }
        if (p.observer)
          await ask(api.POST('/api/practicals/{id}/peer-looks', { params, body: { observer: p.observer } }))
        await isOfDay(p, view.id)
        started = view.id
        takeAway(p.table)
      }
      // Table by table: what is set up beside it waits here.
      if (named.value.length > 0) return
      // Somebody else's table is on their floor.
      if (brief.grader) return void (await again())
      await router.push(these.length === 1 ? `/grade/${started}` : '/floor')
    })
    if (places.value.length === 0) another()
  }

  const practical = (id: string) => ask(api.GET('/api/practicals/{id}', { params: { path: { id } } }))
  /** After a practical the two change places: the same is asked of the one who lay on the table. */
  async function changeRoles(id: string) {
    const last = await practical(id)
    brief.sequence = last.sequence.id
    brief.sides = last.sides as Setting['sides']
    brief.minutes = last.limitSeconds ? Math.round(last.limitSeconds / 60) : undefined
    places.value = [{ table: last.tableNumber, student: last.partner?.id ?? '', partner: last.student.id }]
  }
  /** A re-take: the same student, and only what did not hold. */
  async function showAgain(id: string) {
    const last = await practical(id)
    brief.sequence = last.sequence.id
    brief.sides = last.sides as Setting['sides']
    await nextTick()
    places.value = [
      {
        table: freeTable([], open()),
        student: last.student.id,
        partner: last.partner?.id ?? '',
        asked: last.again.map((a) => a.step),
        retakeOf: id,
      },
    ]
  }
  /** One to look at, out of the list of those to look at next. */
  async function lookAt(
    student: string,
    sequence?: string,
    criterion?: string,
    minutes?: number,
    partner = '',
    table?: number,
  ) {
    if (sequence) brief.sequence = sequence
    if (FINGERS.some((f) => f.id === criterion)) brief.criterion = criterion as Criterion
    await nextTick()
    if (minutes && minutes <= 240) brief.minutes = minutes
    places.value = [{ table: table ?? freeTable([], open()), student, partner }]
  }
  /** The practical of a day that this one is. */
  const slot = {
    day: word(route.query.day),
    sitting: word(route.query.sitting),
    student: word(route.query.student),
  }
  const isOfDay = async (p: Place, practical: string) => {
    if (!slot.day || !slot.sitting || p.student !== slot.student) return
    const path = { term: term.value, day: slot.day, sitting: slot.sitting }
    await ask(
      api.PUT('/api/terms/{term}/days/{day}/sittings/{sitting}/practical', {
        params: { path },
        body: { practical },
      }),
    )
  }
  const { swap, again: retake, student, sequence, criterion, minutes, partner, table } = route.query
  if (typeof student === 'string' && typeof retake !== 'string')
    void lookAt(
      student,
      word(sequence),
      word(criterion),
      Number(minutes) || undefined,
      word(partner),
      Number(table) || undefined,
    )
  if (typeof retake === 'string') void during(() => showAgain(retake))
  if (typeof swap === 'string') void during(() => changeRoles(swap))

  return {
    people,
    sequences,
    students,
    graders,
    brief,
    steps,
    setting,
    places,
    named,
    ready,
    busy,
    failed,
    toggle,
    another,
    takeAway,
    fill,
    start,
  }
}
