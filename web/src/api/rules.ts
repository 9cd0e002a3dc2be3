import { shallowRef } from 'vue'

/** By which rules the server answered last; nothing until it did. */
export const serverRules = shallowRef<string>()
