import { nextTick, type ObjectDirective } from 'vue'

type Value = string | number | null | undefined
interface State {
  value: Value
  typing: boolean
}
type Typed = (HTMLInputElement | HTMLTextAreaElement) & { typed?: State }

/** Whether what was done goes into a field: letters are text there, and keys of the page are none. */
export const typing = ({ target }: Event) =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement

const text = (value: Value) => (value == null ? '' : String(value))

/**
 * The value of a field that is taken once it is whole (`@change`). What is being typed stays, whatever is drawn anew meanwhile: an answer
 * of the server that comes between two letters must not take the first away. Once it was taken the field shows what became of it.
 */
export const vTyped: ObjectDirective<Typed, Value> = {
  mounted(field, { value }) {
    const typed: State = { value, typing: false }
    field.typed = typed
    field.value = text(value)
    const done = () => {
      typed.typing = false
      void nextTick(() => {
        if (!typed.typing) field.value = text(typed.value)
      })
    }
    field.addEventListener('input', () => (typed.typing = true))
    field.addEventListener('change', done)
    field.addEventListener('blur', done)
  },
  updated(field, { value }) {
    const typed = field.typed!
    typed.value = value
    if (!typed.typing && field.value !== text(value)) field.value = text(value)
  },
}
