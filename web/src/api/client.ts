import createClient, { type Middleware } from 'openapi-fetch'
import { serverRules } from './rules'
import type { components, paths } from './schema'

/** The server's own words for its data. */
export type Schema = components['schemas']

/** What the server says was wrong: RFC 9457 with our code and, for input, every fault. */
export interface Problem {
  status: number
  code: string
  detail: string
  faults: { field: string; value: string; reason: string }[]
}

const tokenOf = () => /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1]

const csrf: Middleware = {
  async onRequest({ request }) {
    // The server hands the token out with every answer; a page whose first call failed fetches it before it writes.
    if (request.method !== 'GET' && !tokenOf()) await fetch('/api/session').catch(() => undefined)
    const token = tokenOf()
    if (token && request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token))
    return request
  },
}

const rules: Middleware = {
  onResponse({ response }) {
    serverRules.value = response.headers.get('X-Palm-Rules') ?? serverRules.value
  },
}

export const api = createClient<paths>({ baseUrl: '' })
api.use(csrf, rules)

/** A problem out of whatever came back; a dead network is one too. */
export function problemOf(error: unknown, response?: Response): Problem {
  const body = (error ?? {}) as Partial<Problem> & { title?: string }
  if (!response)
    return {
      status: 0,
      code: 'no-answer',
      detail: 'The server does not answer. Check that it runs and the network is there, then try again.',
      faults: [],
    }
  return {
    status: response.status,
    code: body.code ?? String(response.status),
    detail: body.detail ?? body.title ?? `The server answered ${response.status}.`,
    faults: body.faults ?? [],
  }
}

/** Runs a call and gives its data, or throws the problem. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let answer
  try {
    answer = await call
  } catch {
    throw problemOf(undefined)
  }
  // Done, and nothing to tell.
  if (answer.response.status === 204) return undefined as T
  if (answer.error !== undefined || !answer.response.ok || answer.data === undefined)
    throw problemOf(answer.error, answer.response)
  return answer.data
}
