import { ref, shallowRef } from 'vue'
import type { Problem } from '@/api/client'

/** A file from outside: it shows what it would change first; then all of it is taken, or nothing. */
export function useIncoming<Given, Preview>(of: {
  given: (file: File) => Promise<Given>
  preview: (given: Given) => Promise<Preview>
  take: (given: Given) => Promise<void>
}) {
  const incoming = shallowRef<{ given: Given; preview: Preview }>()
  const fileProblem = ref<Problem>()

  async function readFile(event: Event) {
    const input = event.target as HTMLInputElement
    const file = input.files?.[0]
    if (!file) return
    fileProblem.value = undefined
    incoming.value = undefined
    try {
      const given = await of.given(file)
      incoming.value = { given, preview: await of.preview(given) }
    } catch (e) {
      fileProblem.value = e as Problem
    }
    input.value = ''
  }
  async function takeFile() {
    if (!incoming.value) return
    try {
      await of.take(incoming.value.given)
      incoming.value = undefined
    } catch (e) {
      fileProblem.value = e as Problem
    }
  }
  return { incoming, fileProblem, readFile, takeFile }
}
