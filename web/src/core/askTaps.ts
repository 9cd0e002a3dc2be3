import { api, ask, type Schema } from '@/api/client'
import { answeredBy, coreNumber, here, loadPageCore, OLDER_SERVER } from './pageCore'

export type SoFar = Schema['SoFar']
type Tap = Schema['Event']
type View = Schema['PracticalView']

/** Says what taps come to so far: all there are, in any order. */
export type AsksTaps = (taps: readonly Tap[]) => Promise<SoFar>

/** Loads the core where there may be one and it is not there: one that was lost comes again with the next tap. */
async function load() {
  if (typeof Worker !== 'undefined' && coreNumber() === 0) await loadPageCore().catch(() => undefined)
}

/** What a server said, unless it is too old to say all of it. */
function whole(said: SoFar): SoFar {
  if (!(said.progress as SoFar['progress'] | undefined)) throw OLDER_SERVER
  return said
}

/** Of a practical that its grader has in front of them. The core in the page is told only what is new to it. */
export function asksTable(view: View): AsksTaps {
  /** Which core was told of it, and of which taps. */
  let core = 0
  let told = new Set<string>()
  let last: readonly Tap[] = view.events

  async function page(taps: readonly Tap[]): Promise<SoFar | undefined> {
    const now = coreNumber()
    if (core === now) {
      const events = taps.filter((t) => !told.has(t.id))
      const said = await here<SoFar>('see', { id: view.id, after: told.size, events })
      for (const e of events) told.add(e.id)
      if (said) return said
    }
    const { id, sequence, profile, asked, sides, extent, limitSeconds } = view
    const rated = view.rating != null
    const said = await here<SoFar>('open', {
      id,
      sequence,
      profile,
      asked,
      sides,
      extent,
      limitSeconds,
      rated,
      events: taps,
    })
    core = said ? now : 0
    told = new Set(taps.map((t) => t.id))
    return said
  }
  /** Tells the core of it as soon as that is there, so that the next tap finds it warm, and without a network as well. */
  async function ready() {
    await load()
    if (coreNumber() && core !== coreNumber()) await page(last)
  }
  void ready()
  return (taps) => {
    last = taps
    void ready()
    return answeredBy(
      () => page(taps),
      async () =>
        whole(await ask(api.GET('/api/practicals/{id}/scores', { params: { path: { id: view.id } } }))),
    )
  }
}

/** Of an observer, who watches without the plan in hand. */
export function asksWatched(look: Schema['Watching']): AsksTaps {
  const { lookEverySeconds } = look
  void load()
  return (taps) => {
    void load()
    return answeredBy(
      () => here<SoFar>('watch', { events: taps, lookEverySeconds }),
      async () => {
        const now = (await ask(api.GET('/api/me/peer-looks'))).find((l) => l.id === look.id) ?? look
        return whole({ counted: now.events.length, progress: now.progress })
      },
    )
  }
}
