import { effectScope, nextTick, reactive, ref } from 'vue'
import { beforeEach, describe, expect, it, onTestFinished, vi } from 'vitest'
import type { Schema } from '@/api/client'

const get = vi.hoisted(() => vi.fn())
const use = vi.hoisted(() => vi.fn())
const route = reactive({ path: '/plan', hash: '', fullPath: '/plan' })
vi.mock('@/api/client', () => ({ api: { GET: get, use }, ask: (p: Promise<unknown>) => p }))
vi.mock('vue-router', () => ({ useRoute: () => route }))
const { useFirstSteps } = await import('./useFirstSteps')

const flush = () => new Promise((r) => setTimeout(r))
const nothing: Schema['FirstSteps'] = { term: false, people: false, shown: false }
const lead = ref(true)
async function steps() {
  const scope = effectScope()
  onTestFinished(() => scope.stop())
  const made = scope.run(() => useFirstSteps(() => lead.value))!
  await flush()
  return made
}
async function go(to: string) {
  const [path, hash] = to.split('#')
  Object.assign(route, { path, hash: hash ? `#${hash}` : '', fullPath: to })
  await nextTick()
  await flush()
}

beforeEach(() => {
  localStorage.clear()
  sessionStorage.clear()
  lead.value = true
  Object.assign(route, { path: '/plan', hash: '', fullPath: '/plan' })
  get.mockReset().mockResolvedValue(nothing)
  use.mockReset()
})

describe('the first steps of a new school', () => {
  it('lead from the term to the first showing, each gone when it is done', async () => {
    const s = await steps()
    const all = [
      { ...nothing },
      { ...nothing, term: true },
      { ...nothing, term: true, people: true },
      { ...nothing, term: true, people: true, sequence: 'calves' },
    ]
    const seen = []
    for (const known of all) {
      get.mockResolvedValue(known)
      await go(`/grade?${seen.length}`)
      seen.push([s.next.value?.id, s.next.value?.to])
    }
    expect(seen).toEqual([
      ['term', '/school#terms'],
      ['people', '/school#people'],
      ['sequence', '/plan'],
      ['shown', '/plan/calves'],
    ])
    get.mockResolvedValue({ ...all.at(-1), shown: true })
    await go('/show')
    expect(s.next.value).toBeUndefined()
    const asked = get.mock.calls.length
    await go('/track')
    expect(get.mock.calls.length).toBe(asked)
  })
  it('offers the way to where it is done, and says there what to do', async () => {
    const s = await steps()
    expect(s.here.value).toBe(false)
    await go('/school#people')
    expect(s.here.value).toBe(false)
    await go('/school#terms')
    expect(s.here.value).toBe(true)
  })
  it('asks again once something was stored, and not after what was only read or refused', async () => {
    await steps()
    const { onResponse } = use.mock.calls[0]![0]
    const heard = (method: string, ok: boolean) => onResponse({ request: { method }, response: { ok } })
    heard('GET', true)
    heard('POST', false)
    expect(get).toHaveBeenCalledTimes(1)
    heard('POST', true)
    expect(get).toHaveBeenCalledTimes(2)
  })
  it('can wait, and is nobody’s but the lead’s', async () => {
    const s = await steps()
    s.later()
    expect(s.next.value).toBeUndefined()
    sessionStorage.clear()
    get.mockClear()
    lead.value = false
    expect((await steps()).next.value).toBeUndefined()
    expect(get).not.toHaveBeenCalled()
  })
})
