import { useIntervalFn } from '@vueuse/core'
import { computed, effectScope, readonly, ref, shallowReactive, shallowRef, type EffectScope } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useAgain } from '@/api/useAgain'
import { asksTable } from '@/core/askTaps'
import { indexedTaps, type Tap } from './queue'
import { useTaps } from './useTaps'

type View = Schema['PracticalView']

/** A table on the floor: what was asked there, and the taps. */
export interface Table {
  id: string
  view: View
  taps: ReturnType<typeof useTaps>
}

/** How often it is asked what other devices wrote. */
const NEWS_MS = 2000

function floor() {
  const tables = shallowReactive(new Map<string, Table>())
  const scopes = new Map<string, EffectScope>()
  const problem = ref<Problem>()
  const loaded = ref(false)
  /** The table that has the grader's eyes; the floor itself counts as none. */
  const watched = shallowRef<string>()
  let heard = 0

  /** Sets a table up, or gives the one that is there: taps that wait outlive the page they were tapped on. */
  function put(view: View, agoMs = 0): Table {
    const there = tables.get(view.id)
    if (there) return there
    const scope = effectScope(true)
    const table: Table = {
      id: view.id,
      view,
      taps: scope.run(() => useTaps(view.id, indexedTaps(), asksTable(view)))!,
    }
    scopes.set(view.id, scope)
    tables.set(view.id, table)
    void table.taps.open(view, agoMs).then(() => table.taps.flush())
    return table
  }
  /** Takes a table off the floor once nothing of it waits any more. */
  function drop(id: string) {
    const table = tables.get(id)
    if (table && table.taps.waiting.value === 0) leave(id)
  }
  /** Takes a table off the floor that does not count any more. */
  function leave(id: string) {
    tables.delete(id)
    scopes.get(id)?.stop()
    scopes.delete(id)
  }
  async function load() {
    try {
      const call = api.GET('/api/floor')
      const views = await ask(call)
      // What the browser kept for a dead network is older than it looks.
      const said = Date.parse((await call).response.headers.get('date') ?? '')
      const ago = Date.now() - said
      for (const v of views) put(v, ago > 5000 ? ago : 0)
      const open = new Set(views.map((v) => v.id))
      for (const t of [...tables.values()]) if (!open.has(t.id) && t.taps.finished.value) drop(t.id)
      problem.value = undefined
      loaded.value = true
    } catch (e) {
      problem.value = e as Problem
    }
  }
  async function news() {
    if (tables.size === 0 || document.visibilityState === 'hidden') return
    try {
      const all = await ask(api.GET('/api/floor/news', { params: { query: { after: heard } } }))
      const by = new Map<string, Tap[]>()
      for (const n of all) {
        heard = Math.max(heard, n.nth)
        by.set(n.practical, [...(by.get(n.practical) ?? []), n.event])
      }
      by.forEach((events, id) => tables.get(id)?.taps.news(events))
    } catch {
      // The taps say that the network is down.
    }
  }
  async function open(id: string): Promise<Table> {
    return tables.get(id) ?? put(await ask(api.GET('/api/practicals/{id}', { params: { path: { id } } })))
  }
  /** The grader's eyes go to one table, or to none. */
  async function watch(id: string | undefined) {
    watched.value = id
    await Promise.all([...tables.values()].map((t) => t.taps.attend(t.id === id)))
  }
  useAgain(problem, load)
  useIntervalFn(() => void news(), NEWS_MS)
  // What is heard from now on is kept for a dead network.
  globalThis.navigator?.serviceWorker?.addEventListener('controllerchange', () => loaded.value && void load())
  document.addEventListener('visibilitychange', () => {
    const visible = document.visibilityState === 'visible'
    for (const t of tables.values()) void t.taps.attend(visible && t.id === watched.value)
  })
  return {
    tables: computed(() =>
      [...tables.values()]
        .filter((t) => !t.taps.finished.value || t.taps.waiting.value > 0)
        .sort((a, b) => a.view.tableNumber - b.view.tableNumber || a.id.localeCompare(b.id)),
    ),
    /** Taps of all tables that are not stored yet. */
    waiting: computed(() => [...tables.values()].reduce((n, t) => n + t.taps.waiting.value, 0)),
    problem: readonly(problem),
    loaded: readonly(loaded),
    watched: readonly(watched),
    load,
    open,
    watch,
    put,
    drop,
    leave,
  }
}

let one: ReturnType<typeof floor> | undefined

/** The floor: one for the whole app, so that what is tapped at a table is sent on whatever page is in front. */
export function useFloor() {
  return (one ??= effectScope(true).run(floor)!)
}
