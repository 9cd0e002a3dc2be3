import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { defineComponent, nextTick, ref } from 'vue'
import { vTyped } from './typed'

/** A field beside something that an answer of the server changes; it takes whole numbers up to 20. */
function field() {
  const answer = ref(0)
  const minutes = ref(10)
  const view = mount(
    defineComponent({
      directives: { typed: vTyped },
      setup: () => ({
        answer,
        minutes,
        take: (e: Event) => {
          const n = Number((e.target as HTMLInputElement).value)
          if (n <= 20) minutes.value = n
        },
      }),
      template: '<p>{{ answer }}<input v-typed="minutes" @change="take" /></p>',
    }),
    { attachTo: document.body },
  )
  const input = view.get('input').element as HTMLInputElement
  const type = (words: string) => {
    input.value = words
    input.dispatchEvent(new Event('input'))
  }
  const leave = async () => {
    input.dispatchEvent(new Event('change'))
    input.dispatchEvent(new Event('blur'))
    await nextTick()
    await nextTick()
  }
  return { answer, minutes, input, type, leave }
}

test('what is being typed stays when an answer comes', async () => {
  const { answer, minutes, input, type, leave } = field()
  expect(input.value).toBe('10')
  type('15')
  answer.value++
  await nextTick()
  expect(input.value).toBe('15')
  await leave()
  expect(minutes.value).toBe(15)
  expect(input.value).toBe('15')
})

test('what somebody else changed meanwhile waits until it is left', async () => {
  const { minutes, input, type, leave } = field()
  type('99')
  minutes.value = 12
  await nextTick()
  expect(input.value).toBe('99')
  await leave()
  expect(input.value).toBe('12')
})

test('a field that nobody types in follows its value', async () => {
  const { minutes, input, type } = field()
  minutes.value = 7
  await nextTick()
  expect(input.value).toBe('7')
  // Typed and taken back again changes nothing, and is told as no change.
  type('8')
  type('7')
  input.dispatchEvent(new Event('blur'))
  minutes.value = 9
  await nextTick()
  await nextTick()
  expect(input.value).toBe('9')
})
