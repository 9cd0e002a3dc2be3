import type { Kind } from '../kind'

export default { kind: 'undo', words: () => 'undo' } satisfies Kind
