import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'

type Look = Schema['ClassLiveView']['look']
const AFTER: Record<Look, [name: string, look: Look]> = {
  both: ['Both', 'picture'],
  picture: ['Picture', 'words'],
  words: ['Words', 'both'],
}

/**
 * What presenter and class look at: the picture, the words, or both; a turn goes to the next of them. Without a line the presenter's own
 * screen turns, and the class follows with the next turn.
 */
export function useLook(id: string, stored: () => Look | undefined) {
  const turned = ref<Look>()
  const look = computed<Look>(() => turned.value ?? stored() ?? 'both')
  function turn() {
    turned.value = AFTER[look.value][1]
    const params = { path: { id } }
    void ask(api.PUT('/api/demonstrations/{id}/look', { params, body: { look: turned.value } })).catch(
      () => undefined,
    )
  }
  return { look, after: computed(() => AFTER[look.value][0]), turn }
}
