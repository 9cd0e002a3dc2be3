import type { Kind } from '../kind'

export default { kind: 'hold-stop', words: () => 'hold ended' } satisfies Kind
