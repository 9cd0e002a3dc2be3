import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { api, ask, type Problem, type Schema } from '@/api/client'
import { useHistory } from '@/parts/useHistory'
import type { Curriculum } from './term'

/** The plan of a term while it is edited: checked with every act, each taken back by one key, not lost with a closed tab. */
export function useTerm(term: string) {
  const view = shallowRef<Schema['CurriculumView']>()
  const curriculum = shallowRef<Curriculum>()
  const checks = shallowRef<Schema['TermChecksView']>()
  const problem = ref<Problem>()
  const failed = ref<Problem>()
  const loading = ref(true)
  const busy = ref(false)
  const restored = ref(false)
  const theirs = shallowRef<{ view: Schema['CurriculumView']; mine: string[]; others: string[] }>()
  const path = { term }
  const shelf = `palm-term/${term}`
  const dirty = computed(
    () => !!view.value && JSON.stringify(view.value.curriculum) !== JSON.stringify(curriculum.value),
  )
  const history = useHistory(curriculum, () => {
    shelve()
    void check()
  })
  let turn = 0

  async function read() {
    loading.value = true
    try {
      take(await ask(api.GET('/api/terms/{term}/curriculum', { params: { path } })))
      const kept = localStorage.getItem(shelf)
      if (kept) bringBack(JSON.parse(kept) as { from: number; curriculum: Curriculum })
      problem.value = undefined
    } catch (e) {
      problem.value = e as Problem
    } finally {
      loading.value = false
    }
  }
  function take(answer: Schema['CurriculumView']) {
    view.value = answer
    curriculum.value = answer.curriculum
    checks.value = answer.checks
    history.acts.value = []
    theirs.value = undefined
  }
  function bringBack(kept: { from: number; curriculum: Curriculum }) {
    if (JSON.stringify(kept.curriculum) === JSON.stringify(curriculum.value))
      return localStorage.removeItem(shelf)
    history.remember('what was not saved')
    curriculum.value = kept.curriculum
    view.value = { ...view.value!, version: kept.from }
    restored.value = true
    void check()
  }
  function shelve() {
    try {
      if (dirty.value)
        localStorage.setItem(
          shelf,
          JSON.stringify({ from: view.value!.version, curriculum: curriculum.value }),
        )
      else localStorage.removeItem(shelf)
    } catch {
      // A full or closed store costs the safety net, not the draft.
    }
  }
  async function check() {
    const mine = ++turn
    try {
      const answer = await ask(
        api.POST('/api/terms/{term}/curriculum/check', {
          params: { path },
          body: { curriculum: curriculum.value },
        }),
      )
      if (mine === turn) {
        checks.value = answer
        failed.value = undefined
      }
    } catch (e) {
      if (mine === turn) failed.value = e as Problem
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
        api.POST('/api/terms/{term}/curriculum/mend', {
          params: { path },
          body: { curriculum: curriculum.value, key },
        }),
      ),
    )
    if (answer) history.act(label, answer.curriculum)
  }
  /** Lays the whole term out from regions in order; an act like any other. */
  async function layOut(regions: string[]) {
    const answer = await during(() =>
      ask(
        api.POST('/api/terms/{term}/curriculum/layout', {
          params: { path },
          body: { curriculum: curriculum.value, regions: regions as never[] },
        }),
      ),
    )
    if (answer) history.act('The term laid out anew', answer.curriculum)
    return answer
  }
  /** Saves the plan as a version. Where somebody saved meanwhile, both are kept and shown. */
  async function save(onTop = false): Promise<boolean> {
    if (!view.value || !curriculum.value) return false
    const from = onTop && theirs.value ? theirs.value.view.version : view.value.version
    const answer = await during(async () => {
      try {
        return await ask(
          api.PUT('/api/terms/{term}/curriculum', {
            params: { path },
            body: { from, curriculum: curriculum.value, what: history.summary() },
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
    const now = await ask(api.GET('/api/terms/{term}/curriculum', { params: { path } }))
    const base = view.value!.version
    const start =
      base === 0
        ? { ...now.curriculum, lessons: [] }
        : await ask(
            api.GET('/api/terms/{term}/curriculum/versions/{version}', {
              params: { path: { term, version: base } },
            }),
          )
    const between = (after: Curriculum) =>
      ask(
        api.POST('/api/terms/{term}/curriculum/difference', {
          params: { path },
          body: { before: start, after },
        }),
      )
    theirs.value = {
      view: now,
      mine: await between(curriculum.value!),
      others: await between(now.curriculum),
    }
  }
  function takeTheirs() {
    const other = theirs.value
    if (!other) return
    history.remember('their version')
    take(other.view)
    localStorage.removeItem(shelf)
  }
  function drop() {
    localStorage.removeItem(shelf)
    restored.value = false
    history.forget()
    void read()
  }
  useEventListener(window, 'beforeunload', shelve)
  onScopeDispose(() => turn++)
  void read()

  return {
    view: computed(() => view.value),
    curriculum: computed(() => curriculum.value),
    checks: computed(() => checks.value),
    problem,
    failed,
    loading,
    busy,
    dirty,
    restored,
    theirs,
    act: history.act,
    undo: history.undo,
    redo: history.redo,
    undoable: history.undoable,
    redoable: history.redoable,
    read,
    mend,
    layOut,
    save,
    takeTheirs,
    drop,
    during,
  }
}
