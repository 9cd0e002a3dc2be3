import { effectScope } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
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
const { useDraft } = await import('./useDraft')

const sequence = (note: string) => ({ id: 's', note, blocks: [] }) as unknown as Schema['Sequence']
const plan = (total: number) => ({ totalSeconds: total, findings: [] }) as unknown as Schema['PlanView']
const view = (version: number, note: string) =>
  ({ version, sequence: sequence(note), plan: plan(0), history: [] }) as unknown as Schema['SequenceView']

const found = (key: string, where: object = {}) =>
  ({ key, rule: key.split('@')[0], where }) as unknown as Schema['FindingView']
const flush = () => new Promise((r) => setTimeout(r))
async function draft() {
  const scope = effectScope()
  const made = scope.run(() => useDraft('s', () => undefined))!
  await flush()
  return made
}

beforeEach(() => {
  localStorage.clear()
  get
    .mockReset()
    .mockImplementation(async (path: string) =>
      path.includes('versions') ? { sequence: sequence('first') } : view(1, 'first'),
    )
  post
    .mockReset()
    .mockImplementation(async (path: string) =>
      path.endsWith('difference') ? ['A difference.'] : path.endsWith('check') ? plan(1) : undefined,
    )
  put.mockReset()
})

describe('acts', () => {
  it('can be undone and done again, one by one', async () => {
    const d = await draft()
    d.act('one', sequence('one'))
    d.act('two', sequence('two'))
    expect(d.undoable.value).toBe('two')
    d.undo()
    expect(d.sequence.value?.note).toBe('one')
    expect(d.redoable.value).toBe('two')
    d.undo()
    expect(d.dirty.value).toBe(false)
    d.redo()
    d.redo()
    expect(d.sequence.value?.note).toBe('two')
    expect(d.redoable.value).toBeUndefined()
  })
  it('after an undo, a new act drops what was undone', async () => {
    const d = await draft()
    d.act('one', sequence('one'))
    d.undo()
    d.act('other', sequence('other'))
    expect(d.redoable.value).toBeUndefined()
  })
  it('that change nothing are none', async () => {
    const d = await draft()
    d.act('nothing', d.sequence.value!)
    expect(d.undoable.value).toBeUndefined()
  })
  it('keep one question under way and always ask about the last text', async () => {
    const d = await draft()
    let answer: (p: Schema['PlanView']) => void = () => undefined
    post.mockImplementationOnce(() => new Promise((r) => (answer = r)))
    d.act('one', sequence('one'))
    d.act('two', sequence('two'))
    d.act('three', sequence('three'))
    expect(post).toHaveBeenCalledTimes(1)
    answer(plan(7))
    await flush()
    expect(post).toHaveBeenCalledTimes(2)
    expect(post.mock.calls[1]![1].body.sequence.note).toBe('three')
    expect(d.plan.value?.totalSeconds).toBe(1)
  })
})

describe('the checks', () => {
  it('speak of the text they were asked about, until the next answer', async () => {
    const d = await draft()
    let answer: (p: Schema['PlanView']) => void = () => undefined
    post.mockImplementationOnce(() => new Promise((r) => (answer = r)))
    d.act('one', sequence('one'))
    expect(d.sequence.value?.note).toBe('one')
    expect(d.judged.value?.note).toBe('first')
    answer(plan(7))
    await flush()
    expect(d.judged.value?.note).toBe('one')
    expect(d.plan.value?.totalSeconds).toBe(7)
  })
  it('that fail leave the last ones standing and say so; the next answer takes it back', async () => {
    const d = await draft()
    post.mockRejectedValueOnce({ status: 0, code: 'no-answer', detail: 'No answer.', faults: [] })
    d.act('one', sequence('one'))
    await flush()
    expect(d.failed.value?.code).toBe('no-answer')
    expect(d.judged.value?.note).toBe('first')
    d.act('two', sequence('two'))
    await flush()
    expect(d.failed.value).toBeUndefined()
    expect(d.judged.value?.note).toBe('two')
  })
})

describe('what is not saved', () => {
  it('is passed over where what is kept cannot be read', async () => {
    localStorage.setItem('palm-draft/s', '{"from": 1, "te')
    const d = await draft()
    expect(d.problem.value).toBeUndefined()
    expect(d.restored.value).toBe(false)
    expect(d.sequence.value?.note).toBe('first')
  })
  it('comes back with the page, and can be dropped', async () => {
    const d = await draft()
    d.act('one', sequence('one'))
    await flush()
    const again = await draft()
    expect(again.restored.value).toBe(true)
    expect(again.sequence.value?.note).toBe('one')
    again.undo()
    expect(again.sequence.value?.note).toBe('first')
    again.redo()
    again.drop()
    await flush()
    expect(again.sequence.value?.note).toBe('first')
    expect(localStorage.getItem('palm-draft/s')).toBeNull()
  })
  it('is gone from the shelf once it is saved, under the names of its acts', async () => {
    put.mockResolvedValue(view(2, 'two'))
    const d = await draft()
    d.act('Moved step 1', sequence('one'))
    d.act('Split step 2', sequence('two'))
    expect(await d.save()).toBe(true)
    expect(put.mock.calls[0]![1].body).toMatchObject({ from: 1, what: 'Moved step 1; Split step 2' })
    expect(localStorage.getItem('palm-draft/s')).toBeNull()
    expect(d.dirty.value).toBe(false)
  })
  it('stays where it was done while a save was under way, and is the next version', async () => {
    let stored: (v: unknown) => void = () => undefined
    put.mockImplementationOnce(() => new Promise((r) => (stored = r)))
    const d = await draft()
    d.act('Moved step 1', sequence('one'))
    const saved = d.save()
    d.act('Split step 2', sequence('two'))
    stored(view(2, 'one'))
    expect(await saved).toBe(true)
    expect(d.sequence.value?.note).toBe('two')
    expect(d.dirty.value).toBe(true)
    expect(localStorage.getItem('palm-draft/s')).toContain('two')
    put.mockResolvedValue(view(3, 'two'))
    await d.save()
    expect(put.mock.calls[1]![1].body).toMatchObject({ from: 2, what: 'Split step 2' })
    expect(d.dirty.value).toBe(false)
  })
  it('stays where the server does not answer', async () => {
    put.mockRejectedValue({ status: 0, code: 'no-answer', detail: 'The server does not answer.', faults: [] })
    const d = await draft()
    d.act('one', sequence('one'))
    expect(await d.save()).toBe(false)
    expect(d.failed.value?.code).toBe('no-answer')
    expect(d.sequence.value?.note).toBe('one')
    await flush()
    expect(localStorage.getItem('palm-draft/s')).not.toBeNull()
  })
})

describe('two who save', () => {
  async function race() {
    put.mockRejectedValueOnce({ status: 409, code: 'changed-meanwhile', detail: '', faults: [] })
    const d = await draft()
    d.act('mine', sequence('mine'))
    get.mockImplementation(async (path: string) =>
      path.includes('versions') ? { sequence: sequence('first') } : view(2, 'theirs'),
    )
    await d.save()
    return d
  }
  it('see both texts against the one both began with', async () => {
    const d = await race()
    expect(d.theirs.value).toMatchObject({ mine: ['A difference.'], others: ['A difference.'] })
    expect(d.sequence.value?.note).toBe('mine')
  })
  it('may put the own text on top of the other', async () => {
    const d = await race()
    put.mockResolvedValueOnce(view(3, 'mine'))
    expect(await d.save(true)).toBe(true)
    expect(put.mock.calls[1]![1].body.from).toBe(2)
    expect(d.theirs.value).toBeUndefined()
  })
  it('may take the other, and the own stays one undo away', async () => {
    const d = await race()
    d.takeTheirs()
    expect(d.sequence.value?.note).toBe('theirs')
    expect(d.dirty.value).toBe(false)
    d.undo()
    expect(d.sequence.value?.note).toBe('mine')
  })
})

describe('a mend', () => {
  it('is an act like any other', async () => {
    const d = await draft()
    post.mockImplementationOnce(async () => ({ sequence: sequence('mended'), plan: plan(2) }))
    await d.mend(found('ORDER-WARM@a'), 'Add 60 s palm glide')
    expect(d.sequence.value?.note).toBe('mended')
    expect(d.undoable.value).toBe('Add 60 s palm glide')
  })
  it('that comes after a further act is asked anew, and the act stays', async () => {
    const d = await draft()
    const mends: { note: string; answer: (x: unknown) => void }[] = []
    post.mockImplementation((path: string, { body }: { body: { sequence: { note: string } } }) =>
      path.endsWith('mend')
        ? new Promise((answer) => mends.push({ note: body.sequence.note, answer }))
        : Promise.resolve(plan(1)),
    )
    const done = d.mend(found('ORDER-WARM@a'), 'Add 60 s palm glide')
    await flush()
    d.act('Split step 2', sequence('split'))
    mends[0]!.answer({ sequence: sequence('first, mended') })
    await flush()
    expect(d.sequence.value?.note).toBe('split')
    expect(mends.map((m) => m.note)).toEqual(['first', 'split'])
    mends[1]!.answer({ sequence: sequence('split, mended') })
    await done
    expect(d.sequence.value?.note).toBe('split, mended')
    d.undo()
    expect(d.sequence.value?.note).toBe('split')
  })
  it('of what was found before a further act is asked of where it is found now', async () => {
    const d = await draft()
    const keys: string[] = []
    const later = found('DEEP@b/-/-/9000', { step: 'b', atMs: 9000 })
    post.mockImplementation(async (path: string, { body }: { body: { key: string } }) => {
      if (!path.endsWith('mend')) return { totalSeconds: 1, findings: [{ finding: later }] }
      keys.push(body.key)
      return { sequence: sequence('mended') }
    })
    d.act('Duplicate', sequence('longer'))
    await d.mend(found('DEEP@b/-/-/5000', { step: 'b', atMs: 5000 }), 'Add 60 s palm glide')
    expect(keys).toEqual(['DEEP@b/-/-/9000'])
    expect(d.sequence.value?.note).toBe('mended')
  })
  it('that is refused changes nothing and says why', async () => {
    const d = await draft()
    post.mockRejectedValueOnce({
      status: 404,
      code: 'not-found',
      detail: 'There is no such finding.',
      faults: [],
    })
    await d.mend(found('gone'), 'x')
    expect(d.failed.value?.detail).toBe('There is no such finding.')
    expect(d.undoable.value).toBeUndefined()
  })
})
