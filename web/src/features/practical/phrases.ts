import type { Criterion } from '@/parts/criteria'

/** What is said often to students, by finger; a grader adds their own. */
export const PHRASES: Record<Criterion, string[]> = {
  pressure: ['You eased at once when it was too much.', 'Sink in slower; wait for the tissue.'],
  order: ['Clear, calm order from warm to cover.', 'Restart gently on the second side.'],
  mechanics: ['Long arms, weight from the back leg: keep that.', 'Step back and lean instead of pushing.'],
  communication: ['Open questions at the right moments.', 'Ask once the new tool has arrived.'],
  draping: ['Clean, sure draping.', 'Tuck the edge under before you lift.'],
}
