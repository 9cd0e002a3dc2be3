import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { undoOffer } from '@/parts/undoOffer'
import { drawBodiesAs } from '@/parts/useBodyLook'
import { dateOf, setSchoolZone } from '@/parts/when'

/** Who is signed in, in which term, and the words of the trade that every page needs. */
export const useSession = defineStore('session', () => {
  const session = ref<Schema['SessionView']>()
  const catalogue = ref<Schema['Catalogue']>()

  const person = computed(() => session.value?.person)
  /** The term at work: the one chosen on this device while it is there, else the newest that is not in the archive. */
  const chosen = useStorage('palm-term', '')
  const term = computed(
    () => session.value?.terms.find((t) => t.id === chosen.value) ?? session.value?.terms[0],
  )
  const workIn = (id: string) => {
    chosen.value = id
  }
  /** Labs that they take in the place of another, and those of today; the address of what there is to know of one, in its term. */
  const takes = computed(() => session.value?.takes ?? [])
  const takesToday = computed(() => takes.value.filter((l) => l.on === dateOf()))
  function briefingOf(lab: Schema['TakenLab']) {
    workIn(lab.term)
    return `/briefing?lab=${lab.week}.${lab.lab}`
  }
  const staff = computed(() => !!person.value && person.value.role !== 'student')
  /** Whether they write sequences, techniques and the plan of the term; graders read them. */
  const plans = computed(() => person.value?.role === 'lead' || person.value?.role === 'instructor')
  const zones = computed(() => new Map(catalogue.value?.zones.map((z) => [z.id as string, z]) ?? []))
  const pointedTools = computed(
    () => new Set<string>(catalogue.value?.tools.filter((t) => t.pointed).map((t) => t.id) ?? []),
  )
  const techniques = computed(() => new Map(catalogue.value?.techniques.map((t) => [t.id, t]) ?? []))

  /** What the browser keeps for a dead network belongs to the one who signed in. */
  async function forget() {
    await globalThis.caches?.delete('last-heard').catch(() => undefined)
    if (typeof indexedDB === 'undefined') return
    const { indexedTaps } = await import('@/features/practical/queue')
    await indexedTaps()
      .removeSent()
      .catch(() => undefined)
  }
  async function take(view: Schema['SessionView']) {
    // It names people, and what their bodies must be spared.
    if (view.person?.id !== person.value?.id) undoOffer.value = undefined
    session.value = view
    drawBodiesAs(view.bodyLook)
    setSchoolZone(view.zone)
    wasIn.value = !!view.person
    if (view.person && !catalogue.value) catalogue.value = await ask(api.GET('/api/catalogue'))
  }
  /** Reads the words of the trade again, after the library was changed. */
  async function refresh() {
    catalogue.value = await ask(api.GET('/api/catalogue'))
  }
  /** Whether somebody was signed in here: then the words of the trade are asked for at once, beside who it is. */
  const wasIn = useStorage('palm-was-in', false)
  async function read() {
    const words =
      wasIn.value && !catalogue.value ? ask(api.GET('/api/catalogue')).catch(() => undefined) : undefined
    const view = await ask(api.GET('/api/session'))
    if (view.person && words) catalogue.value = (await words) ?? catalogue.value
    await take(view)
  }
  async function signIn(signIn: string, password: string) {
    await forget()
    await take(await ask(api.POST('/api/session', { body: { signIn, password } })))
    // Heard once more, so that it is kept.
    await read().catch(() => undefined)
  }
  const setUp = async (body: Schema['SetUp']) => take(await ask(api.POST('/api/setup', { body })))
  async function signOut() {
    await forget()
    await take(await ask(api.DELETE('/api/session')))
    await forget()
    catalogue.value = undefined
  }
  // What is heard from now on is kept for a dead network.
  globalThis.navigator?.serviceWorker?.addEventListener('controllerchange', () => {
    if (person.value) void Promise.all([read(), refresh()]).catch(() => undefined)
  })
  const toolName = (id: string) => catalogue.value?.tools.find((t) => t.id === id)?.name ?? id
  /** The hand of a step in the school's own word, else in the trade's. */
  const handName = (step: { tool: string; hand?: string }) => step.hand ?? toolName(step.tool)
  const regionName = (id: string) => catalogue.value?.regions.find((r) => r.id === id)?.name ?? id
  const zoneName = (id: string) => zones.value.get(id)?.name ?? id
  const structureName = (id: string) => catalogue.value?.structures.find((s) => s.id === id)?.name ?? id
  /** What a body must be spared, in words. */
  function spared(n: { kind?: string | null; zone?: string | null; side?: string | null }) {
    const kind = catalogue.value?.notes.find((k) => k.id === n.kind)?.name ?? n.kind ?? ''
    return n.zone ? `${kind}: ${n.side ? `${n.side} ` : ''}${zoneName(n.zone).toLowerCase()}` : kind
  }

  return {
    session,
    catalogue,
    person,
    term,
    staff,
    plans,
    takes,
    takesToday,
    briefingOf,
    zones,
    techniques,
    pointedTools,
    read,
    refresh,
    signIn,
    setUp,
    signOut,
    workIn,
    toolName,
    handName,
    regionName,
    zoneName,
    structureName,
    spared,
  }
})
