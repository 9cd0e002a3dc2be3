import { shallowRef } from 'vue'
import type { Problem } from '@/api/client'

/** Something that was taken away just now, and how it comes back. */
interface Offer {
  said: string
  undo: () => Promise<unknown>
  failed?: Problem
}
/** What can be taken back; it waits until it is, or is closed, or something else is taken away. */
export const undoOffer = shallowRef<Offer>()

/**
 * Offers to take back what was taken away just now.
 *
 * @param said what was, in a sentence
 * @param undo brings it back; the page that shows it is told there
 */
export function offerUndo(said: string, undo: () => Promise<unknown>) {
  undoOffer.value = { said, undo }
}
/** Takes it back; where that fails, why is said and the offer stays. */
export async function takeBack() {
  const offer = undoOffer.value
  if (!offer) return
  try {
    await offer.undo()
    if (undoOffer.value === offer) undoOffer.value = undefined
  } catch (e) {
    if (undoOffer.value === offer) undoOffer.value = { ...offer, failed: e as Problem }
  }
}
