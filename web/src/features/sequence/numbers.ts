import type { ComputedRef, InjectionKey } from 'vue'

/** Place of each step in its sequence, from 1, by id. */
export const NUMBERS: InjectionKey<ComputedRef<ReadonlyMap<string, number>>> = Symbol('numbers')
