import type { Kind } from '../kind'

export default {
  kind: 'safety-stop',
  words: (d) => (d.byClient ? 'stop, said the client' : `safety stop${d.text ? `: ${d.text}` : ''}`),
} satisfies Kind
