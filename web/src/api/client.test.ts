import { expect, it } from 'vitest'
import { ask, problemOf } from './client'

it('a dead network is a problem that says what to do', () => {
  expect(problemOf(undefined)).toMatchObject({ status: 0, code: 'no-answer', faults: [] })
})

it('a problem document keeps its code and every fault', async () => {
  const faults = [{ field: 'name', value: '', reason: 'is missing' }]
  const call = Promise.resolve({
    error: { code: 'invalid', detail: 'name is missing', faults },
    response: new Response(null, { status: 422 }),
  })
  await expect(ask(call)).rejects.toEqual({ status: 422, code: 'invalid', detail: 'name is missing', faults })
})

it('an answer without a body is still a problem of its status', async () => {
  await expect(
    ask(Promise.resolve({ error: '', response: new Response(null, { status: 500 }) })),
  ).rejects.toMatchObject({ status: 500, code: '500' })
})

it('what is done with nothing to tell is no problem', async () => {
  await expect(
    ask(Promise.resolve({ response: new Response(null, { status: 204 }) })),
  ).resolves.toBeUndefined()
})

it('data come through', async () => {
  await expect(ask(Promise.resolve({ data: 7, response: new Response() }))).resolves.toBe(7)
})
