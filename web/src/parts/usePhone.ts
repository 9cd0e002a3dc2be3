import { useMediaQuery } from '@vueuse/core'

/** Whether the window is as narrow as a phone held upright; the styles say the same as max-width: 640px. */
export const usePhone = () => useMediaQuery('(max-width: 640px)')
