import type { Kind } from '../kind'

export default {
  kind: 'step-skip',
  words: (d, stepName) => `skipped “${stepName(d.step!)}”`,
  picks: [{ id: 'skip', label: 'Skips', finger: 'order', key: 'l', kind: 'step-skip', data: {} }],
} satisfies Kind
