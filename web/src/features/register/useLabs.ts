import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'

const keyOf = (l: { week: number; lab: number }) => `${l.week}.${l.lab}`

/**
 * The labs of a term and the one that is shown: it stands in the address, and without one it is the lab of now, or where somebody
 * prepares for one the first that is not over.
 */
export function useLabs(term: string, prepares = false) {
  const route = useRoute()
  const router = useRouter()
  const asked = useAsked(() => ask(api.GET('/api/terms/{term}/register', { params: { path: { term } } })))
  const shown = computed(() => {
    const labs = asked.data.value?.labs ?? []
    const now = (prepares && labs.find((l) => !l.over)) || asked.data.value?.now
    return (
      labs.find((l) => keyOf(l) === route.query.lab) ??
      labs.find((l) => now && keyOf(l) === keyOf(now)) ??
      labs[0]
    )
  })
  const chosen = computed({
    get: () => (shown.value ? keyOf(shown.value) : ''),
    set: (lab: string) => void router.replace({ query: { lab } }),
  })
  const place = computed(() => shown.value && { week: shown.value.week, lab: shown.value.lab })
  return {
    register: asked.data,
    problem: asked.problem,
    loading: asked.loading,
    again: asked.again,
    shown,
    chosen,
    place,
  }
}
