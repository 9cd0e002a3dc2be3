import { expect, it } from 'vitest'
import { phrasesFor } from './phrases'

const seen = (score: number | null, ...rules: string[]) =>
  ({ score, findings: rules.map((rule) => ({ rule })) }) as never

it('praise is offered where the log bears it out, and advice always', () => {
  const praise = 'You eased at once when it was too much.'
  expect(phrasesFor('pressure', seen(90))).toEqual([praise, 'Sink in slower; wait for the tissue.'])
  expect(phrasesFor('pressure', seen(90, 'PRESS-ANSWER'))).not.toContain(praise)
  expect(phrasesFor('pressure', seen(79))).not.toContain(praise)
  expect(phrasesFor('pressure', seen(null))).not.toContain(praise)
  expect(phrasesFor('pressure', undefined)).toHaveLength(1)
  expect(phrasesFor('draping', seen(90, 'CONSENT-SCOPE'))).toEqual(['Tuck the edge under before you lift.'])
})
