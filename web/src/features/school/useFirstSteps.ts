import { useSessionStorage, useStorage } from '@vueuse/core'
import { computed, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, ask, type Schema } from '@/api/client'

/** One thing a new school does before it can show a sequence. */
export interface FirstStep {
  id: keyof Schema['FirstSteps']
  name: string
  /** Where it is done. */
  to: string
  /** What the button says that leads there. */
  go: string
  /** What is done there, for who is there. */
  here: string
  done: boolean
}

/** What a new school has to do yet, in order; asked anew at every page and after every change, until all is done. */
export function useFirstSteps(asks: () => boolean) {
  const route = useRoute()
  const over = useStorage('palm-first-steps-over', false)
  const put = useSessionStorage('palm-first-steps-later', false)
  const known = shallowRef<Schema['FirstSteps']>()
  const steps = computed<FirstStep[]>(() => {
    const k = known.value
    if (!k) return []
    return [
      {
        id: 'term',
        name: 'Term',
        to: '/school#terms',
        go: 'Name the term',
        here: 'Press Change beside the first term: its name, the day it begins, its weeks.',
        done: k.term,
      },
      {
        id: 'people',
        name: 'People',
        to: '/school#people',
        go: 'Add the people',
        here: 'Write or paste the class list, one name a line; look at what it does, then take it.',
        done: k.people,
      },
      {
        id: 'sequence',
        name: 'Sequence',
        to: '/plan',
        go: 'Write a sequence',
        here: 'Begin the first sequence: in your own lines, or by a template laid over its zones.',
        done: !!k.sequence,
      },
      {
        id: 'shown',
        name: 'Show',
        to: k.sequence ? `/plan/${k.sequence}` : '/plan',
        go: 'Show it',
        here: 'See what the checks say. Then press Show it, and Start when the class is ready.',
        done: k.shown,
      },
    ]
  })
  const next = computed(() => (asks() && !put.value ? steps.value.find((s) => !s.done) : undefined))
  const here = computed(() => {
    const [path, hash] = (next.value?.to ?? '').split('#')
    return route.path === path && (!hash || route.hash === `#${hash}`)
  })

  async function read() {
    if (!asks() || over.value || put.value) return
    try {
      known.value = await ask(api.GET('/api/school/first-steps'))
    } catch {
      // A hint that does not come is none; the page says itself what failed.
      return
    }
    over.value = steps.value.every((s) => s.done)
  }
  watch([asks, () => route.fullPath], read, { immediate: true })
  api.use({
    onResponse({ request, response }) {
      if (request.method !== 'GET' && response.ok) void read()
    },
  })
  return { steps, next, here, later: () => (put.value = true) }
}
