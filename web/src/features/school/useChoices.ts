import { computed, shallowRef } from 'vue'
import { useHistory } from '@/parts/useHistory'

/** What is answered otherwise than it is stored, by kind of question and its id. */
export interface Choices {
  settings: Record<string, string>
  numbers: Record<string, number>
  zones: Record<string, string[]>
  scope: Record<string, string>
  severities: Record<string, string>
}
const none = (): Choices => ({ settings: {}, numbers: {}, zones: {}, scope: {}, severities: {} })

/** A question, with what each profile has answered. */
interface Asked<T> {
  id: string
  chosen: Record<string, T>
}

/** Answers to the questions of a profile that are not saved yet; each can be taken back. One that is as it was is none. */
export function useChoices(profile: string) {
  const now = shallowRef<Choices | undefined>(none())
  const history = useHistory(now, () => undefined)
  const made = computed(() => now.value!)

  function set<K extends keyof Choices>(
    kind: K,
    what: string,
    id: string,
    value: Choices[K][string],
    same: boolean,
  ) {
    if (same ? !(id in made.value[kind]) : made.value[kind][id] === value) return
    const next = { ...made.value[kind], [id]: value } as Choices[K]
    if (same) delete next[id]
    history.act(what, { ...made.value, [kind]: next })
  }
  const sorted = (list: string[] = []) => [...list].sort().join()

  return {
    now: made,
    dirty: computed(() => Object.values(made.value).some((kind) => Object.keys(kind).length > 0)),
    undoable: history.undoable,
    redoable: history.redoable,
    undo: history.undo,
    redo: history.redo,
    /** Answers one of several. */
    answer: (kind: 'settings' | 'scope' | 'severities', what: string, of: Asked<string>, value: string) =>
      set(kind, what, of.id, value, value === of.chosen[profile]),
    number: (of: Asked<number> & { name: string }, value: number) =>
      set('numbers', of.name, of.id, value, value === of.chosen[profile]),
    zones: (of: Asked<string[]> & { question: string }, value: string[]) =>
      set('zones', of.question, of.id, value, sorted(value) === sorted(of.chosen[profile])),
    /** What was answered is stored. */
    clear() {
      now.value = none()
      history.forget()
    },
  }
}
