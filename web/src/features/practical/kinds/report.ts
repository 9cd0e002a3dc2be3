import type { Kind } from '../kind'

export default {
  kind: 'report',
  words: (d) => `the client said ${d.number}${d.volunteered ? ', unasked' : ''}`,
  alternatives: (d) => [
    ...Array.from({ length: 11 }, (_, n) => ({ label: String(n), data: { ...d, number: n } })).filter(
      (a) => a.data.number !== d.number,
    ),
    d.volunteered
      ? { label: 'asked for', data: { ...d, volunteered: false } }
      : { label: 'unasked', data: { ...d, volunteered: true } },
  ],
} satisfies Kind
