import { computed, ref, shallowRef, type ShallowRef } from 'vue'

/** Most acts that can be taken back. */
const MOST = 200

interface Moment<T> {
  value: T
  act: string
}

/**
 * What is edited, with every act taken back and done again. The value is replaced, never changed in place; `changing` gets the next
 * one before anything that is shown changes, so that a question about it is on its way while the page draws.
 */
export function useHistory<T>(now: ShallowRef<T | undefined>, changing: (next: T) => void) {
  const past = shallowRef<Moment<T>[]>([])
  const future = shallowRef<Moment<T>[]>([])
  /** What was done since the last save, for its line in the history. */
  const acts = ref<string[]>([])

  /** Does an act. One that changes nothing is none. */
  function act(what: string, next: T) {
    if (now.value === undefined || next === now.value) return
    changing(next)
    remember(what)
    acts.value.push(what)
    now.value = next
  }
  /** Keeps what is there one undo away. */
  function remember(what: string) {
    if (now.value === undefined) return
    past.value = [...past.value.slice(1 - MOST), { value: now.value, act: what }]
    future.value = []
  }
  function step(from: typeof past, to: typeof past) {
    const last = from.value.at(-1)
    if (!last || now.value === undefined) return
    changing(last.value)
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, { value: now.value, act: last.act }]
    now.value = last.value
  }
  function forget() {
    past.value = []
    future.value = []
  }
  /** The acts since the last save in one line of at most 200 characters. */
  function summary(): string {
    const all = [...new Set(acts.value)]
    const text = all.length > 3 ? `${all.slice(0, 3).join('; ')}; and ${all.length - 3} more` : all.join('; ')
    return text.slice(0, 200) || 'Edited'
  }
  return {
    act,
    remember,
    forget,
    summary,
    acts,
    undo: () => step(past, future),
    redo: () => step(future, past),
    undoable: computed(() => past.value.at(-1)?.act),
    redoable: computed(() => future.value.at(-1)?.act),
  }
}
