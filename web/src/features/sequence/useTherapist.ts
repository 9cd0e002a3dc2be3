import { useStorage } from '@vueuse/core'

/** Statures one is asked for, metres. */
export const STATURES = Array.from({ length: 13 }, (_, i) => (140 + 5 * i) / 100)

/** How tall the one who works is, metres: kept on this device, for reach and table. */
export const therapist = useStorage('palm-therapist', 1.7)
