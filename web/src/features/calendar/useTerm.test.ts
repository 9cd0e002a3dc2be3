import { effectScope } from 'vue'
import { beforeEach, describe, expect, it, onTestFinished, vi } from 'vitest'
import type { Schema } from '@/api/client'

const get = vi.fn()
const post = vi.fn()
const put = vi.fn()
vi.mock('@/api/client', () => ({
  api: {
    GET: (...a: unknown[]) => get(...a),
    POST: (...a: unknown[]) => post(...a),
    PUT: (...a: unknown[]) => put(...a),
  },
  ask: (p: Promise<unknown>) => p,
}))
const { useTerm } = await import('./useTerm')

const curriculum = (name: string) => ({ id: 't', name, lessons: [] }) as unknown as Schema['Curriculum']
const checks = (hours: number) =>
  ({ plannedHours: hours, findings: [] }) as unknown as Schema['TermChecksView']
const view = (version: number, name: string) =>
  ({
    version,
    curriculum: curriculum(name),
    checks: checks(0),
    history: [],
  }) as unknown as Schema['CurriculumView']
const flush = () => new Promise((r) => setTimeout(r))
async function term() {
  const scope = effectScope()
  const made = scope.run(() => useTerm('t'))!
  await flush()
  return made
}

beforeEach(() => {
  localStorage.clear()
  get
    .mockReset()
    .mockImplementation(async (path: string) =>
      path.includes('versions') ? curriculum('first') : view(1, 'first'),
    )
  post
    .mockReset()
    .mockImplementation(async (path: string) =>
      path.endsWith('difference')
        ? ['A difference.']
        : path.endsWith('check')
          ? checks(7)
          : { curriculum: curriculum('by the server'), overMinutes: 0, missed: 0 },
    )
  put.mockReset()
})

describe('the plan of a term', () => {
  it('is read again by itself when nobody answered at first', async () => {
    vi.useFakeTimers()
    onTestFinished(() => void vi.useRealTimers())
    get.mockRejectedValueOnce({ status: 0, code: 'offline', detail: 'Nobody answers.', faults: [] })
    const t = effectScope().run(() => useTerm('t'))!
    await vi.advanceTimersByTimeAsync(1000)
    expect(t.problem.value?.status).toBe(0)
    expect(t.view.value).toBeUndefined()
    await vi.advanceTimersByTimeAsync(2000)
    expect(t.problem.value).toBeUndefined()
    expect(t.view.value?.version).toBe(1)
  })
  it('is checked with every act, each taken back and done again', async () => {
    const t = await term()
    t.act('one', curriculum('one'))
    await flush()
    expect(t.checks.value?.plannedHours).toBe(7)
    expect(t.dirty.value).toBe(true)
    t.undo()
    expect(t.curriculum.value?.name).toBe('first')
    expect(t.dirty.value).toBe(false)
    t.redo()
    expect(t.curriculum.value?.name).toBe('one')
  })
  it('is mended and laid out by the server, as acts like others', async () => {
    const t = await term()
    await t.mend('TERM-FULL@1.1/-', 'Move it')
    expect(t.undoable.value).toBe('Move it')
    t.undo()
    await t.layOut(['neck'])
    expect(t.curriculum.value?.name).toBe('by the server')
    t.undo()
    expect(t.curriculum.value?.name).toBe('first')
  })
  it('is saved with its acts as the line of its history', async () => {
    put.mockResolvedValue(view(2, 'two'))
    const t = await term()
    t.act('one', curriculum('one'))
    t.act('two', curriculum('two'))
    expect(await t.save()).toBe(true)
    expect(put.mock.calls[0]![1].body).toMatchObject({ from: 1, what: 'one; two' })
    expect(t.dirty.value).toBe(false)
    expect(localStorage.getItem('palm-term/t')).toBeNull()
  })
  it('shows both where somebody saved meanwhile, and loses neither', async () => {
    const t = await term()
    t.act('mine', curriculum('mine'))
    put.mockRejectedValueOnce({ code: 'changed-meanwhile' })
    get.mockImplementation(async (path: string) =>
      path.includes('versions') ? curriculum('first') : view(2, 'theirs'),
    )
    expect(await t.save()).toBe(false)
    expect(t.theirs.value?.others).toEqual(['A difference.'])
    t.takeTheirs()
    expect(t.curriculum.value?.name).toBe('theirs')
    t.undo()
    expect(t.curriculum.value?.name).toBe('mine')
  })
  it('comes back after a closed tab, and can be dropped', async () => {
    const t = await term()
    t.act('kept', curriculum('kept'))
    await flush()
    const again = await term()
    expect(again.restored.value).toBe(true)
    expect(again.curriculum.value?.name).toBe('kept')
    again.undo()
    expect(again.curriculum.value?.name).toBe('first')
    again.drop()
    await flush()
    expect(localStorage.getItem('palm-term/t')).toBeNull()
  })
  it('keeps what was typed where the server refuses', async () => {
    const t = await term()
    put.mockRejectedValueOnce({ code: 'archived', detail: 'In the archive.' })
    t.act('mine', curriculum('mine'))
    expect(await t.save()).toBe(false)
    expect(t.failed.value?.detail).toBe('In the archive.')
    expect(t.curriculum.value?.name).toBe('mine')
  })
})
