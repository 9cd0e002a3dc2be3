import { useIntervalFn, useStorage } from '@vueuse/core'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'

export type Sheet = Schema['Sheet']
export type Presence = Schema['Presence']
export type Line = Schema['SheetLine']
type Sent = Schema['SentPresence'] & { id: string; student: string }

/** How often what others marked is read, and what waits is sent again. */
const AGAIN_MS = 5000
const MOST_AT_ONCE = 400

/**
 * The register of one lab: what is marked shows at once, is kept on the device until the server has it, and can be taken back.
 *
 * @param who the person at this device: what waits is theirs
 */
export function useRegister(
  who: string,
  term: string,
  place: Ref<{ week: number; lab: number } | undefined>,
) {
  const sheet = shallowRef<Sheet>()
  const problem = ref<Problem>()
  /** Marks that the server does not have yet, by lab. */
  const kept = useStorage<Record<string, Sent[]>>(`palm-register-${who}-${term}`, {})
  const key = computed(() => (place.value ? `${place.value.week}/${place.value.lab}` : ''))
  const waiting = computed(() => kept.value[key.value] ?? [])
  const undo = ref<{ said: string; marks: Sent[]; key: string }[]>([])
  let sending = false
  let asked = 0

  const of = (k: string) => {
    const [week, lab] = k.split('/').map(Number)
    return { term, week: week!, lab: lab! }
  }
  async function flush() {
    if (sending) return
    sending = true
    try {
      for (const k of Object.keys(kept.value)) await send(k)
    } finally {
      sending = false
    }
  }
  async function send(k: string) {
    const marks = (kept.value[k] ?? []).slice(0, MOST_AT_ONCE)
    if (marks.length === 0) return
    try {
      const answer = await ask(
        api.POST('/api/terms/{term}/register/{week}/{lab}/marks', {
          params: { path: of(k) },
          body: { marks },
        }),
      )
      drop(k, marks)
      if (k === key.value) sheet.value = answer
      problem.value = undefined
    } catch (e) {
      problem.value = e as Problem
      // What the server refuses it will refuse again; what it never saw is kept.
      const { status } = problem.value
      if (status >= 400 && status < 500 && status !== 401) drop(k, marks)
    }
  }
  function drop(k: string, sent: Sent[]) {
    const ids = new Set(sent.map((s) => s.id))
    const left = (kept.value[k] ?? []).filter((m) => !ids.has(m.id))
    const rest = Object.fromEntries(Object.entries(kept.value).filter(([x]) => x !== k))
    kept.value = left.length ? { ...rest, [k]: left } : rest
  }
  async function read() {
    if (!place.value) return
    const mine = ++asked
    try {
      const answer = await ask(
        api.GET('/api/terms/{term}/register/{week}/{lab}', { params: { path: of(key.value) } }),
      )
      if (mine !== asked) return
      sheet.value = answer
      problem.value = undefined
    } catch (e) {
      if (mine === asked) problem.value = e as Problem
    }
  }
  const again = () => (waiting.value.length ? flush() : read())
  watch(
    key,
    () => {
      sheet.value = undefined
      void read().then(flush)
    },
    { immediate: true },
  )
  useIntervalFn(() => void again(), AGAIN_MS)

  /** Those of the lab as they stand here: what waits over what the server has. */
  const lines = computed<Line[]>(() =>
    (sheet.value?.students ?? []).map((line) => {
      const mine = waiting.value.filter((m) => m.student === line.id).at(-1)
      return mine ? { ...line, presence: presenceOf(mine), markedBy: line.markedBy } : line
    }),
  )

  /** Marks some of them; undefined takes back what is marked. */
  function mark(said: string, marks: { student: string; presence?: Presence }[]) {
    if (marks.length === 0 || sheet.value?.archived) return
    const before = marks.map((m) =>
      sentOf(m.student, lines.value.find((l) => l.id === m.student)?.presence ?? undefined),
    )
    undo.value = [...undo.value.slice(-49), { said, marks: before, key: key.value }]
    put(
      key.value,
      marks.map((m) => sentOf(m.student, m.presence)),
    )
  }
  function put(k: string, marks: Sent[]) {
    kept.value = { ...kept.value, [k]: [...(kept.value[k] ?? []), ...marks] }
    // A question that is under way would answer from before.
    asked++
    void flush()
  }
  function takeBack() {
    const last = undo.value.at(-1)
    if (!last) return
    undo.value = undo.value.slice(0, -1)
    put(
      last.key,
      last.marks.map((m) => ({ ...m, id: crypto.randomUUID() })),
    )
  }
  return {
    sheet,
    lines,
    problem,
    waiting: computed(() => waiting.value.length),
    undo: computed(() => undo.value.at(-1)?.said),
    mark,
    takeBack,
    again,
  }
}

const presenceOf = (m: Sent): Presence | undefined =>
  m.kind && { kind: m.kind, lateMinutes: m.lateMinutes ?? 0, leftMinutes: m.leftMinutes }

const sentOf = (student: string, p: Presence | undefined): Sent => ({
  id: crypto.randomUUID(),
  student,
  kind: p?.kind,
  lateMinutes: p?.lateMinutes,
  leftMinutes: p?.leftMinutes,
})

/** What is marked of somebody, in the words of the door. */
export function presenceWords(p: Presence | undefined): string {
  if (!p) return 'not marked'
  if (p.kind === 'absent') return 'away'
  if (p.kind === 'excused') return 'excused'
  const late = p.lateMinutes > 0 ? `${Math.round(p.lateMinutes)} min late` : 'there'
  return p.leftMinutes === undefined || p.leftMinutes === null
    ? late
    : `${late}, left after ${Math.round(p.leftMinutes)} min`
}
