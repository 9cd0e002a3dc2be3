import type { Kind } from '../kind'

export default { kind: 'finish', words: () => 'finish' } satisfies Kind
