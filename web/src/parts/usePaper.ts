import { useLocalStorage } from '@vueuse/core'

/** The size of paper in this house, remembered on the device. */
export const usePaper = () => useLocalStorage<'a4' | 'letter'>('palm-tally-paper', 'a4')
