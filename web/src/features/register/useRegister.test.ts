import { flushPromises } from '@vue/test-utils'
import { effectScope, ref } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { presenceWords, useRegister, type Sheet } from './useRegister'

const sheet = (presence?: object): Sheet =>
  ({
    week: 2,
    lab: 1,
    minutes: 120,
    room: '',
    held: false,
    archived: false,
    parts: [],
    students: [
      { id: 'ana', name: 'Ana', presence },
      { id: 'bram', name: 'Bram' },
    ],
  }) as unknown as Sheet

type Mark = { id: string; student: string; kind?: string }
type Call = { params: { path: { week: number; lab: number } }; body: { marks: Mark[] } }
const calls = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn() }))
vi.mock('@/api/client', async (original) => ({ ...(await original<object>()), api: calls }))
const answer = () => ({ data: now, response: new Response() })

/** What the server has heard, and whether it answers. */
const sent: { at: string; marks: Mark[] }[] = []
let down = false
let status = 200
let now: Sheet

beforeEach(() => {
  localStorage.clear()
  sent.length = 0
  down = false
  status = 200
  now = sheet()
  vi.useFakeTimers()
  calls.GET.mockReset().mockImplementation(async () => {
    if (down) throw new TypeError('no network')
    return answer()
  })
  calls.POST.mockReset().mockImplementation(async (_path: string, with_: Call) => {
    if (down) throw new TypeError('no network')
    if (status !== 200)
      return { error: { code: 'invalid', detail: 'No.' }, response: new Response(null, { status }) }
    const { path } = with_.params
    sent.push({ at: `${path.week}/${path.lab}`, marks: with_.body.marks })
    for (const m of with_.body.marks)
      now = {
        ...now,
        students: now.students.map((s) =>
          s.id === m.student
            ? { ...s, presence: m.kind ? ({ kind: m.kind, lateMinutes: 0 } as never) : undefined }
            : s,
        ),
      }
    return answer()
  })
})
afterEach(() => vi.useRealTimers())

async function door(who = 'nadia', place = ref({ week: 2, lab: 1 })) {
  const scope = effectScope()
  const register = scope.run(() => useRegister(who, 't', place))!
  await vi.advanceTimersByTimeAsync(10)
  await flushPromises()
  return { register, scope, place }
}
const of = (r: ReturnType<typeof useRegister>, id: string) => r.lines.value.find((l) => l.id === id)!.presence
const PRESENT = { kind: 'present', lateMinutes: 0 } as const

describe('the register at the door', () => {
  it('shows a mark at once and sends it once', async () => {
    const { register, scope } = await door()
    register.mark('Ana there', [{ student: 'ana', presence: PRESENT }])
    expect(of(register, 'ana')?.kind).toBe('present')
    await vi.advanceTimersByTimeAsync(20)
    expect(register.waiting.value).toBe(0)
    expect(sent).toHaveLength(1)
    expect(sent[0]!.at).toBe('2/1')
    expect(of(register, 'ana')?.kind).toBe('present')
    scope.stop()
  })
  it('keeps what nobody answered, over a closed page, and sends it when somebody does', async () => {
    const { register, scope } = await door()
    down = true
    register.mark('both', [
      { student: 'ana', presence: PRESENT },
      { student: 'bram', presence: { kind: 'absent', lateMinutes: 0 } },
    ])
    await vi.advanceTimersByTimeAsync(20)
    expect(register.waiting.value).toBe(2)
    expect(register.problem.value?.status).toBe(0)
    scope.stop()
    down = false
    const again = await door()
    await vi.advanceTimersByTimeAsync(6000)
    expect(sent).toHaveLength(1)
    expect(sent[0]!.marks.map((m) => [m.student, m.kind])).toEqual([
      ['ana', 'present'],
      ['bram', 'absent'],
    ])
    expect(again.register.waiting.value).toBe(0)
    again.scope.stop()
  })
  it('sends what somebody else marked here in nobody’s name but theirs', async () => {
    const { register, scope } = await door('nadia')
    down = true
    register.mark('Ana there', [{ student: 'ana', presence: PRESENT }])
    await vi.advanceTimersByTimeAsync(20)
    scope.stop()
    down = false
    const other = await door('gus')
    await vi.advanceTimersByTimeAsync(6000)
    expect(sent).toHaveLength(0)
    expect(of(other.register, 'ana')).toBeUndefined()
    other.scope.stop()
  })
  it('takes back what was marked last, all of it, to what it was', async () => {
    now = sheet({ kind: 'excused', lateMinutes: 0 })
    const { register, scope } = await door()
    register.mark('The rest there', [
      { student: 'ana', presence: PRESENT },
      { student: 'bram', presence: PRESENT },
    ])
    await vi.advanceTimersByTimeAsync(20)
    expect(register.undo.value).toBe('The rest there')
    register.takeBack()
    expect(of(register, 'ana')?.kind).toBe('excused')
    expect(of(register, 'bram')).toBeUndefined()
    await vi.advanceTimersByTimeAsync(20)
    expect(sent[1]!.marks.map((m) => m.kind)).toEqual(['excused', undefined])
    expect(new Set(sent.flatMap((s) => s.marks.map((m) => m.id))).size).toBe(4)
    expect(register.undo.value).toBeUndefined()
    scope.stop()
  })
  it('lets go of what the server refuses, and says why', async () => {
    const { register, scope } = await door()
    status = 409
    register.mark('Ana there', [{ student: 'ana', presence: PRESENT }])
    await vi.advanceTimersByTimeAsync(20)
    expect(register.waiting.value).toBe(0)
    expect(register.problem.value?.detail).toBe('No.')
    expect(of(register, 'ana')).toBeUndefined()
    scope.stop()
  })
  it('undoes in the lab it was marked in, also when another is shown', async () => {
    const { register, scope, place } = await door()
    register.mark('Ana there', [{ student: 'ana', presence: PRESENT }])
    await vi.advanceTimersByTimeAsync(20)
    place.value = { week: 3, lab: 1 }
    await vi.advanceTimersByTimeAsync(20)
    register.takeBack()
    await vi.advanceTimersByTimeAsync(20)
    expect(sent.at(-1)!.at).toBe('2/1')
    scope.stop()
  })
  it('says what is marked in the words of the door', () => {
    expect(presenceWords(undefined)).toBe('not marked')
    expect(presenceWords({ kind: 'absent', lateMinutes: 0 })).toBe('away')
    expect(presenceWords({ kind: 'present', lateMinutes: 12 })).toBe('12 min late')
    expect(presenceWords({ kind: 'present', lateMinutes: 0, leftMinutes: 85 })).toBe(
      'there, left after 85 min',
    )
  })
})
