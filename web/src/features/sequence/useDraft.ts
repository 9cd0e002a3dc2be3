import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useHistory } from '@/parts/useHistory'

type Sequence = Schema['Sequence']

interface Kept {
  from: number
  sequence: Sequence
  acts: string[]
}

/**
 * A sequence while it is edited: every act can be undone, the checks follow each, and what is not yet saved survives a closed tab.
 * Saving makes one version out of the acts since the last.
 */
export function useDraft(
  id: string,
  profile: () => string | undefined,
  /** Whose body it is for, so that their notes count. */
  client: () => string | undefined = () => undefined,
) {
  const view = shallowRef<Schema['SequenceView']>()
  const sequence = shallowRef<Sequence>()
  const plan = shallowRef<Schema['PlanView']>()
  const problem = ref<Problem>()
  const failed = ref<Problem>()
  const loading = ref(true)
  const busy = ref(false)
  const restored = ref(false)
  const theirs = shallowRef<{ view: Schema['SequenceView']; mine: string[]; others: string[] }>()
  const history = useHistory(sequence, () => {
    shelve()
    void check()
  })
  const { acts, act } = history
  const dirty = computed(
    () =>
      !!view.value &&
      !!sequence.value &&
      JSON.stringify(view.value.sequence) !== JSON.stringify(sequence.value),
  )
  const shelf = `palm-draft/${id}`
  let turn = 0
  let asking = false
  let waiting = false

  async function read() {
    loading.value = true
    try {
      const answer = await ask(
        api.GET('/api/sequences/{id}', { params: { path: { id }, query: { profile: profile() } } }),
      )
      take(answer)
      const kept = localStorage.getItem(shelf)
      if (kept) bringBack(JSON.parse(kept) as Kept, answer)
      problem.value = undefined
    } catch (e) {
      problem.value = e as Problem
    } finally {
      loading.value = false
    }
  }
  function take(answer: Schema['SequenceView']) {
    view.value = answer
    sequence.value = answer.sequence
    plan.value = answer.plan
    acts.value = []
    theirs.value = undefined
  }
  function bringBack(kept: Kept, now: Schema['SequenceView']) {
    if (JSON.stringify(kept.sequence) === JSON.stringify(now.sequence)) return localStorage.removeItem(shelf)
    history.remember('what was not saved')
    sequence.value = kept.sequence
    acts.value = kept.acts
    view.value = { ...now, version: kept.from }
    restored.value = true
    void check()
  }
  function shelve() {
    try {
      if (dirty.value && view.value && sequence.value)
        localStorage.setItem(
          shelf,
          JSON.stringify({
            from: view.value.version,
            sequence: sequence.value,
            acts: acts.value,
          } satisfies Kept),
        )
      else localStorage.removeItem(shelf)
    } catch {
      // A full or closed store costs the safety net, not the draft.
    }
  }

  /** The checks of the draft as it is now. One question is under way at a time; the last draft is always asked about. */
  async function check() {
    if (asking) {
      waiting = true
      return
    }
    asking = true
    const mine = ++turn
    try {
      const answer = await ask(
        api.POST('/api/drafts/check', {
          body: { sequence: sequence.value, profile: profile(), client: client() },
        }),
      )
      if (mine === turn) {
        plan.value = answer
        failed.value = undefined
      }
    } catch (e) {
      if (mine === turn) failed.value = e as Problem
    } finally {
      asking = false
      if (waiting) {
        waiting = false
        void check()
      }
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
  async function mend(key: string, label: string) {
    const answer = await during(() =>
      ask(
        api.POST('/api/drafts/mend', {
          body: { sequence: sequence.value, key, profile: profile(), client: client() },
        }),
      ),
    )
    if (answer) act(label, answer.sequence)
  }

  /** Saves the draft as a version. Where somebody saved meanwhile, both are kept and shown. */
  async function save(onTop = false): Promise<boolean> {
    if (!view.value || !sequence.value) return false
    const from = onTop && theirs.value ? theirs.value.view.version : view.value.version
    const answer = await during(async () => {
      try {
        return await ask(
          api.PUT('/api/sequences/{id}', {
            params: { path: { id }, query: { profile: profile() } },
            body: { from, sequence: sequence.value, what: history.summary() },
          }),
        )
      } catch (e) {
        if ((e as Problem).code !== 'changed-meanwhile') throw e
        await compare()
        return undefined
      }
    })
    if (!answer) return false
    take(answer)
    restored.value = false
    localStorage.removeItem(shelf)
    return true
  }
  async function compare() {
    const base = view.value!
    const now = await ask(
      api.GET('/api/sequences/{id}', { params: { path: { id }, query: { profile: profile() } } }),
    )
    const start = await ask(
      api.GET('/api/sequences/{id}/versions/{version}', { params: { path: { id, version: base.version } } }),
    )
    const between = (after: Sequence) =>
      ask(api.POST('/api/drafts/difference', { body: { before: start.sequence, after } }))
    theirs.value = {
      view: now,
      mine: await between(sequence.value!),
      others: await between(now.sequence),
    }
  }
  /** Takes what is stored; the own text stays one undo away. */
  function takeTheirs() {
    const other = theirs.value
    if (!other || !sequence.value) return
    history.remember('their version')
    take(other.view)
    localStorage.removeItem(shelf)
  }
  function drop() {
    if (!view.value) return
    localStorage.removeItem(shelf)
    restored.value = false
    history.forget()
    void read()
  }
  useEventListener(window, 'beforeunload', shelve)
  onScopeDispose(() => turn++)
  void read()

  return {
    // Not readonly(): its proxies would make a text that did not change look like another.
    view: computed(() => view.value),
    sequence: computed(() => sequence.value),
    plan: computed(() => plan.value),
    problem,
    failed,
    loading,
    busy,
    dirty,
    restored,
    theirs,
    undoable: history.undoable,
    redoable: history.redoable,
    read,
    check,
    act,
    undo: history.undo,
    redo: history.redo,
    mend,
    save,
    takeTheirs,
    drop,
    during,
  }
}
