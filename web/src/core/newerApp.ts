import { computed, watch } from 'vue'
import type { Router } from 'vue-router'
import { serverRules } from '@/api/rules'
import { pageRules } from './pageCore'

/** Whether the server judges by other rules than this page: then there is another app to be had. */
export const outdated = computed(
  () => !!pageRules.value && !!serverRules.value && serverRules.value !== pageRules.value,
)

const TAKEN = 'palm-app-taken'

/**
 * Has the app renew itself where the server has another: it is fetched at once, and taken when somebody goes to another page. Nothing is
 * lost by it: a draft and taps that are not stored yet lie on the device. Once for each rules of the server, so that a page that stays
 * as it was does not load for ever.
 *
 * @param load loads an address anew
 */
export function renewWhenOutdated(router: Router, load: (path: string) => void = (p) => location.assign(p)) {
  watch(outdated, (is) => {
    if (!is) return
    const workers = globalThis.navigator?.serviceWorker
    void workers
      ?.getRegistration()
      .then((known) => known?.update())
      .catch(() => undefined)
  })
  router.beforeEach((to, from) => {
    const rules = serverRules.value
    if (!outdated.value || !rules || to.path === from.path || sessionStorage.getItem(TAKEN) === rules)
      return true
    sessionStorage.setItem(TAKEN, rules)
    load(to.fullPath)
    return false
  })
}
