import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { offerUndo, undoOffer } from '@/parts/undoOffer'

const answer = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => ({
  api: { GET: answer, POST: answer, DELETE: answer },
  ask: (p: Promise<unknown>) => p,
}))
const removeSent = vi.hoisted(() => vi.fn(async () => undefined))
vi.mock('@/features/practical/queue', () => ({ indexedTaps: () => ({ removeSent }) }))
const { useSession } = await import('./useSession')
const view = (id?: string) => ({ person: id ? { id, name: id, role: 'lead' } : undefined, terms: [] })

beforeEach(() => {
  setActivePinia(createPinia())
  undoOffer.value = undefined
  answer.mockReset()
})

describe('what can be taken back', () => {
  it('is nobody’s but theirs who took it away', async () => {
    const session = useSession()
    answer.mockResolvedValue(view('vera'))
    await session.read()
    offerUndo('Numb, left calf: taken back.', async () => undefined)
    await session.read()
    expect(undoOffer.value?.said).toBe('Numb, left calf: taken back.')
    answer.mockResolvedValue(view())
    await session.signOut()
    expect(undoOffer.value).toBeUndefined()
  })
})

describe('taps that the server has', () => {
  it('do not stay on the device of who signed out', async () => {
    vi.stubGlobal('indexedDB', {})
    answer.mockResolvedValue(view())
    await useSession().signOut()
    expect(removeSent).toHaveBeenCalled()
    vi.unstubAllGlobals()
  })
})
