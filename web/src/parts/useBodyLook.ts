import { readonly, ref } from 'vue'
import type { Schema } from '@/api/client'

type BodyLook = Schema['BodyLook']

const look = ref<BodyLook>({ build: 'middle', skin: 'sand' })

/**
 * How the school has the body drawn. The tones are in tokens.css, by the mark that is set on the page here; the build is followed by
 * whoever draws.
 */
export const bodyLook = readonly(look)

/** Draws every body of the page so from now on; without a word of the school it stays as it is. */
export function drawBodiesAs(next: BodyLook | undefined) {
  if (!next) return
  look.value = next
  document.documentElement.dataset.skin = next.skin
}
