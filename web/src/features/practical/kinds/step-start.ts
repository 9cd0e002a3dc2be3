import type { Kind } from '../kind'

export default {
  kind: 'step-start',
  words: (d, stepName) =>
    `began “${stepName(d.step!)}”${d.side && d.side !== 'midline' ? `, ${d.side}` : ''}`,
  picks: [
    { id: 'next', label: 'Next step', finger: 'order', key: 'j', kind: 'step-start', data: {}, main: true },
    { id: 'other-side', label: 'Other side', finger: 'order', key: 'k', kind: 'step-start', data: {} },
  ],
} satisfies Kind
