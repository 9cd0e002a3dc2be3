import { useLocalStorage } from '@vueuse/core'

/** Sizes of paper that are printed on. */
export const PAPERS = [
  { id: 'a4', name: 'A4' },
  { id: 'letter', name: 'Letter' },
] as const

/** The size of paper in this house, remembered on the device. */
export const usePaper = () => useLocalStorage<(typeof PAPERS)[number]['id']>('palm-tally-paper', 'a4')
