import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import type { Problem, Schema } from '@/api/client'
import { useAgain } from '@/api/useAgain'
import { useEarlier, type Page } from '@/api/usePages'
import { useHistory } from './useHistory'

/** What the server shows of a document with versions. */
interface Stored {
  version: number
  /** What is wrong with the text as it is stored. */
  damaged?: string
  history: Page<Schema['VersionLine']>
}

/** What the server knows to do with one kind of document that is edited. */
export interface Versioned<View extends Stored, Text, Checks> {
  /** Name under which the browser keeps what is not yet saved. */
  shelf: string
  read: () => Promise<View>
  /** The text of a view, and what the checks said about it. */
  text: (view: View) => Text
  checks: (view: View) => Checks
  check: (text: Text) => Promise<Checks>
  /** Stores a text as the version after `from`; fails with `changed-meanwhile` where there is one already. */
  put: (from: number, text: Text, what: string) => Promise<View>
  /** The text that a version had; `now` is what is stored. */
  version: (version: number, now: View) => Promise<Text>
  /** Lines of the versions before one. */
  earlier: (before: string) => Promise<Page<Schema['VersionLine']>>
  /** What is different, a line each. */
  difference: (before: Text, after: Text) => Promise<string[]>
}

/** What the frame of an editor shows and does, whatever is edited. */
export type Edited = Pick<
  ReturnType<typeof useVersioned<Stored, unknown, unknown>>,
  | 'view'
  | 'problem'
  | 'failed'
  | 'loading'
  | 'busy'
  | 'dirty'
  | 'restored'
  | 'theirs'
  | 'undoable'
  | 'redoable'
  | 'read'
  | 'undo'
  | 'redo'
  | 'save'
  | 'takeTheirs'
  | 'drop'
  | 'close'
>

interface Kept<Text> {
  from: number
  text: Text
  acts: string[]
}

/**
 * A document while it is edited: every act can be undone, the checks follow each, and what is not yet saved survives a closed tab.
 * Saving makes one version out of the acts since the last; of two who save, the second sees both and loses nothing.
 */
export function useVersioned<View extends Stored, Text, Checks>(of: Versioned<View, Text, Checks>) {
  const view = shallowRef<View>()
  const text = shallowRef<Text>()
  const checks = shallowRef<Checks>()
  /** The text that the checks speak of: the one that is here, or while a question is under way one before it. */
  const judged = shallowRef<Text>()
  const problem = ref<Problem>()
  const failed = ref<Problem>()
  const loading = ref(true)
  const busy = ref(false)
  const restored = ref(false)
  const theirs = shallowRef<{ view: View; mine: string[]; others: string[] }>()
  const stored = computed(() => view.value && JSON.stringify(of.text(view.value)))
  const dirty = computed(() => !!stored.value && stored.value !== JSON.stringify(text.value))
  const history = useHistory(text, (next) => {
    void check(next)
    // Once the text took its place and the page was drawn.
    clearTimeout(shelving)
    shelving = setTimeout(shelve)
  })
  const { acts, act } = history
  let shelving: ReturnType<typeof setTimeout> | undefined
  let left = false
  let asking = false
  let judging: Promise<void> | undefined
  let waiting = false

  async function read() {
    loading.value = true
    try {
      const answer = await of.read()
      take(answer)
      const kept = onShelf()
      if (kept) bringBack(kept, answer)
      problem.value = undefined
    } catch (e) {
      problem.value = e as Problem
    } finally {
      loading.value = false
    }
  }
  // Only what is read anew by itself: a text that is here stays as it is.
  useAgain(problem, () => view.value || read())
  function take(answer: View) {
    view.value = answer
    text.value = of.text(answer)
    checks.value = of.checks(answer)
    judged.value = text.value
    acts.value = []
    theirs.value = undefined
  }
  function onShelf(): Kept<Text> | undefined {
    try {
      const kept = JSON.parse(localStorage.getItem(of.shelf) ?? 'null') as Kept<Text> | null
      return kept?.text ? kept : undefined
    } catch {
      return undefined
    }
  }
  function bringBack(kept: Kept<Text>, now: View) {
    if (JSON.stringify(kept.text) === stored.value) return localStorage.removeItem(of.shelf)
    history.remember('what was not saved')
    text.value = kept.text
    acts.value = kept.acts
    view.value = { ...now, version: kept.from }
    restored.value = true
    void check()
  }
  function shelve() {
    clearTimeout(shelving)
    try {
      if (dirty.value && view.value && text.value)
        localStorage.setItem(
          of.shelf,
          JSON.stringify({
            from: view.value.version,
            text: text.value,
            acts: acts.value,
          } satisfies Kept<Text>),
        )
      else localStorage.removeItem(of.shelf)
    } catch {
      // A full or closed store costs the safety net, not the draft.
    }
  }

  /** The checks of a text, or of the one that is here. One question is under way at a time; the last text is always asked about. */
  async function check(next = text.value): Promise<void> {
    if (next === undefined) return
    if (asking) {
      waiting = true
      return
    }
    asking = true
    judging = judge(next)
    await judging
    asking = false
    if (waiting && !left) {
      waiting = false
      await check()
    }
  }
  async function judge(next: Text) {
    try {
      const answer = await of.check(next)
      if (!left) {
        checks.value = answer
        judged.value = next
        failed.value = undefined
      }
    } catch (e) {
      if (!left) failed.value = e as Problem
    }
  }

  async function during<T>(call: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    failed.value = undefined
    try {
      return await call()
    } catch (e) {
      failed.value = e as Problem
      return undefined
    } finally {
      busy.value = false
    }
  }

  /** When what the checks say is said of the text that is here, or cannot be asked. */
  async function settled() {
    while (asking && !left) await judging
  }

  /**
   * An act that is worked out from the text, such as a mend. Where the text went on before the answer came, the answer is of a
   * text that is gone: the newer one is asked about, once it was judged. Undefined where that was refused.
   */
  async function rewrite<A>(
    what: string,
    ask: (from: Text) => Promise<A>,
    next: (answer: A) => Text,
  ): Promise<A | undefined> {
    for (;;) {
      await settled()
      const from = text.value
      if (from === undefined) return undefined
      const answer = await during(() => ask(from))
      if (answer === undefined || left) return undefined
      if (text.value !== from) continue
      act(what, next(answer))
      return answer
    }
  }

  /** Saves the draft as a version. Where somebody saved meanwhile, both are kept and shown; what was done meanwhile stays, not yet saved. */
  async function save(onTop = false): Promise<boolean> {
    if (!view.value || text.value === undefined) return false
    const from = onTop && theirs.value ? theirs.value.view.version : view.value.version
    const mine = text.value
    const saved = acts.value.length
    const answer = await during(async () => {
      try {
        return await of.put(from, mine, history.summary())
      } catch (e) {
        if ((e as Problem).code !== 'changed-meanwhile') throw e
        await compare()
        return undefined
      }
    })
    if (!answer) return false
    const meanwhile = text.value === mine ? undefined : { text: text.value, acts: acts.value.slice(saved) }
    take(answer)
    restored.value = false
    localStorage.removeItem(of.shelf)
    if (meanwhile) {
      text.value = meanwhile.text
      acts.value = meanwhile.acts
      shelve()
      void check()
    }
    return true
  }
  async function compare() {
    const now = await of.read()
    const start = await of.version(view.value!.version, now)
    theirs.value = {
      view: now,
      mine: await of.difference(start, text.value!),
      others: await of.difference(start, of.text(now)),
    }
  }
  /** Takes what is stored; the own text stays one undo away. */
  function takeTheirs() {
    const other = theirs.value
    if (!other) return
    history.remember('their version')
    take(other.view)
    localStorage.removeItem(of.shelf)
  }
  function drop() {
    if (!view.value) return
    localStorage.removeItem(of.shelf)
    restored.value = false
    text.value = of.text(view.value)
    history.forget()
    void read()
  }
  useEventListener(window, 'beforeunload', shelve)
  onScopeDispose(() => {
    shelve()
    left = true
  })
  void read()

  return {
    // Not readonly(): its proxies would make a text that did not change look like another.
    view: computed(() => view.value),
    text: computed(() => text.value),
    checks: computed(() => checks.value),
    judged: computed(() => judged.value),
    problem,
    failed,
    loading,
    busy,
    dirty,
    restored,
    theirs,
    history: useEarlier(() => view.value?.history, of.earlier),
    undoable: history.undoable,
    redoable: history.redoable,
    read,
    check,
    act,
    rewrite,
    undo: history.undo,
    redo: history.redo,
    save,
    takeTheirs,
    drop,
    /** What failed was read. */
    close: () => (failed.value = undefined),
    during,
  }
}
