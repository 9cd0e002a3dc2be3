import type { Schema } from '@/api/client'
import type { Criterion } from '@/parts/criteria'

interface Phrase {
  text: string
  /** Praise: not said where the score is low, or where one of these rules found something. */
  unless?: readonly string[]
}

/** What is said often to students, by finger; a grader adds their own. */
const PHRASES: Record<Criterion, Phrase[]> = {
  pressure: [
    { text: 'You eased at once when it was too much.', unless: ['PRESS-ANSWER', 'PRESS-BAND'] },
    { text: 'Sink in slower; wait for the tissue.' },
  ],
  order: [
    { text: 'Clear, calm order from warm to cover.', unless: ['ORDER-'] },
    { text: 'Restart gently on the second side.' },
  ],
  mechanics: [
    { text: 'Long arms, weight from the back leg: keep that.', unless: ['MECH-'] },
    { text: 'Step back and lean instead of pushing.' },
  ],
  communication: [
    { text: 'Open questions at the right moments.', unless: ['COMM-GAP', 'COMM-TOOL'] },
    { text: 'Ask once the new tool has arrived.' },
  ],
  draping: [
    { text: 'Clean, sure draping.', unless: ['DRAPE-', 'CONSENT-'] },
    { text: 'Tuck the edge under before you lift.' },
  ],
}
/** From here on a score is worth praise. */
const WELL = 80

/** Phrases for one score: none that the log contradicts. */
export function phrasesFor(criterion: Criterion, seen: Schema['CriterionView'] | undefined): string[] {
  const holds = (p: Phrase) =>
    !p.unless ||
    ((seen?.score ?? 0) >= WELL &&
      !seen!.findings.some((f) => p.unless!.some((rule) => f.rule.startsWith(rule))))
  return PHRASES[criterion].filter(holds).map((p) => p.text)
}
