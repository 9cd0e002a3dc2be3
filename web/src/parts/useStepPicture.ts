import { shallowRef, watch } from 'vue'
import type { Picture } from './picture'
import { bodyLook } from './useBodyLook'

/** Pictures that were read lately; what they show does not change under one key. */
const kept = new Map<string, Picture>()
const MOST_KEPT = 80

/**
 * The picture of what is shown: read once for each key, the last one asked for wins. While the next is on its way the one before stays; one
 * that cannot be read is left out.
 *
 * @param key what is shown, undefined for nothing
 * @param read asks for the picture of a key
 */
export function useStepPicture(key: () => string | undefined, read: () => Promise<Picture>) {
  const picture = shallowRef<Picture>()
  // Another build of the body is another picture.
  const wanted = () => {
    const name = key()
    return name && `${bodyLook.value.build} ${name}`
  }
  watch(
    wanted,
    async (now) => {
      if (!now) {
        picture.value = undefined
        return
      }
      let one = kept.get(now)
      if (!one)
        try {
          one = await read()
          kept.set(now, one)
          if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!)
        } catch {
          one = undefined
        }
      if (wanted() === now) picture.value = one
    },
    { immediate: true },
  )
  return picture
}
