import { readonly, ref, shallowRef } from 'vue'
import { api, ask as asked, type Problem } from '@/api/client'
import { serverRules } from '@/api/rules'

export type What =
  | 'know'
  | 'check'
  | 'mend'
  | 'mendAll'
  | 'fit'
  | 'lines'
  | 'template'
  | 'picture'
  | 'difference'
  | 'open'
  | 'see'
  | 'watch'
export interface Asked {
  id: number
  ask: What
  body: object
}
export interface Told {
  id?: number
  version?: string
  said?: object | void
  failed?: string
}
/** What a worker of the core is to the page. */
export type Port = Pick<Worker, 'postMessage' | 'addEventListener'> & Partial<Pick<Worker, 'terminate'>>

/** How long an answer is waited for: a worker that takes longer hangs. A fit or all mends of a long plan may take a minute. */
const MOST_MS = 10_000
const MOST_LONG_MS = 90_000
const LONG: readonly What[] = ['fit', 'mendAll']

/** Whether what is shown was computed here by other rules than the server's: older ones while that is out of reach, or newer ones. */
export const byOtherRules = ref<'older' | 'newer'>()

/** What an answer lacks that an older server does not know to give. */
export const OLDER_SERVER: Problem = {
  status: 0,
  code: 'older-server',
  detail: 'The school’s server is older than this page. Open the page anew.',
  faults: [],
}

/** By which rules the page computes; nothing until the core is there. */
const version = shallowRef<string>()
export const pageRules = readonly(version)
/** Whether the core was told of its school: nothing of a draft is answered before. */
let knows = false
/** Whether what the core knows of the school may have changed: the server is asked first until the core was told anew. */
let stale = false
/** Whether it could not be told, because the server was out of reach. */
let owed = false
let port: Port | undefined
let last = 0
const waiting = new Map<number, { ask: What; resolve: (told: Told) => void }>()
/** Whether the worker has spoken: until then it is being loaded, however long that takes. */
let there = false
let hangs: ReturnType<typeof setTimeout> | undefined

/** Waits for the answer to the first question only: the worker gives one after another. */
function watchFirst() {
  clearTimeout(hangs)
  const [first] = waiting.values()
  if (first && there) hangs = setTimeout(lost, LONG.includes(first.ask) ? MOST_LONG_MS : MOST_MS)
}

function question(ask: What, body: object): Promise<Told> {
  return new Promise((resolve) => {
    const id = ++last
    waiting.set(id, { ask, resolve })
    if (waiting.size === 1) watchFirst()
    const asked: Asked = { id, ask, body }
    try {
      port!.postMessage(asked)
    } catch {
      // What is watched cannot be handed over as it is.
      port!.postMessage(JSON.parse(JSON.stringify(asked)))
    }
  })
}
function lost() {
  port?.terminate?.()
  there = false
  clearTimeout(hangs)
  port = undefined
  version.value = undefined
  knows = stale = owed = false
  for (const { resolve } of waiting.values()) resolve({ failed: 'the core is gone' })
  waiting.clear()
}
const inWorker = (): Port => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })

/** How many cores there were so far: another one knows nothing of what was told to the last. */
let many = 0
export const coreNumber = () => (version.value === undefined ? 0 : many)

/**
 * Loads the core where it is not there yet. Without it, or while it is loading, the server answers everything.
 *
 * @param open opens a worker
 */
export async function loadPageCore(open: () => Port = inWorker): Promise<void> {
  if (!port) {
    const opened = open()
    port = opened
    many++
    rules = new Promise<string>((resolve) => {
      opened.addEventListener('message', ((e: MessageEvent<Told>) => {
        const told = e.data
        if (told.version) {
          there = true
          resolve(told.version)
        }
        if (told.id !== undefined) {
          waiting.get(told.id)?.resolve(told)
          waiting.delete(told.id)
        }
        watchFirst()
      }) as EventListener)
    })
    opened.addEventListener('error', lost)
  }
  const mine = port
  const speaks = await rules
  if (port === mine) version.value = speaks
}

/**
 * Loads the core, and tells it what there is to know of the school. Where the server cannot be reached, what it was told before goes on
 * counting.
 */
export async function startPageCore(open: () => Port = inWorker): Promise<void> {
  stale = true
  owed = false
  const mine = ++told
  try {
    const loaded = loadPageCore(open)
    const known = await asked(api.GET('/api/known'))
    const heard = await question('know', known)
    await loaded
    if (mine !== told || !port) return
    knows = heard.failed === undefined
    stale = false
  } catch (e) {
    if (mine === told) owed = (e as Problem).status === 0
  }
}
/** How often the core was told what there is to know; what was told last counts. */
let told = 0
let rules: Promise<string> = Promise.resolve('')

/** For a test: as if nothing had been loaded. */
export function forgetPageCore() {
  lost()
  byOtherRules.value = undefined
}

/** What the core says, or nothing where it is not there, does not know, or refuses: then the server has the word. */
export async function here<T>(ask: What, body: object): Promise<T | undefined> {
  const { said, failed } = await question(ask, body)
  return failed !== undefined || !said || 'faults' in said ? undefined : (said as T)
}

/** What is to be known of a question. */
interface About {
  /** Whether all that it is about may be known in the page. */
  mayKnow?: boolean
  /** It may take seconds: the server is quicker, and the page answers only where that cannot be reached. */
  long?: boolean
  /** The school has to be known for it. */
  ofSchool?: boolean
}

/**
 * Has a question answered in the page where that speaks as the server does, and by the server where it does not. Where the server cannot
 * be reached the page answers by the rules it has, and says so where they are others.
 *
 * @param page answers in the page, or gives nothing where it cannot
 */
export async function answeredBy<T>(
  page: () => Promise<T | undefined>,
  server: () => Promise<T>,
  { mayKnow = true, long = false, ofSchool = false }: About = {},
): Promise<T> {
  const may = version.value !== undefined && mayKnow && (knows || !ofSchool)
  const same = serverRules.value === undefined || serverRules.value === version.value
  const first = may && same && !(ofSchool && stale) && !long
  const asked = ++questions
  const byRules = (rules: typeof byOtherRules.value) => {
    if (asked > judged) byOtherRules.value = rules
  }
  if (first) {
    const said = await page()
    if (said !== undefined) {
      byRules(undefined)
      return said
    }
  }
  try {
    const said = await server()
    byRules(undefined)
    judged = Math.max(judged, asked)
    if (owed) void startPageCore()
    return said
  } catch (e) {
    if (!may || first || (e as Problem).status !== 0) throw e
    const said = await page()
    if (said === undefined) throw e
    byRules(same ? undefined : e === OLDER_SERVER ? 'newer' : 'older')
    return said
  }
}
/** How many questions were put, and which was the last that the server answered: one put before it says no more whose rules count. */
let questions = 0
let judged = 0
/** The same of a draft, for which the school has to be known. */
export const answered = <T>(ask: What, body: object, server: () => Promise<T>, about: About = {}) =>
  answeredBy(() => here<T>(ask, body), server, { ofSchool: true, ...about })
