import { api, ask } from '@/api/client'
import type { paths } from '@/api/schema'
import { answered } from './pageCore'

/** What is asked of a draft, and where the server is asked it. */
const ADDRESS = {
  check: '/api/drafts/check',
  mend: '/api/drafts/mend',
  mendAll: '/api/drafts/mend-all',
  fit: '/api/drafts/fit',
  lines: '/api/drafts/lines',
  template: '/api/drafts/template',
  picture: '/api/drafts/picture',
  difference: '/api/drafts/difference',
} as const
type What = keyof typeof ADDRESS
type Endpoint<W extends What> = paths[(typeof ADDRESS)[W]]['post']
export type DraftBody<W extends What> = Endpoint<W>['requestBody']['content']['application/json']
type Content<R> = R extends { content: infer C } ? C[keyof C] : never
export type DraftAnswer<W extends What> = Content<Endpoint<W>['responses'][200]>

/** Asks something of a draft: the page itself where it can, else the server. What a body must be spared is the server's to know. */
export function askDraft<W extends What>(what: W, body: DraftBody<W>): Promise<DraftAnswer<W>> {
  const server = () =>
    ask(api.POST(ADDRESS[what], { body } as never) as Promise<{ data?: DraftAnswer<W>; response: Response }>)
  return answered(what, body, server, {
    mayKnow: !('client' in body && body.client),
    long: what === 'fit' || what === 'mendAll',
  })
}
