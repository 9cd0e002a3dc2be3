import type { Schema } from '@/api/client'
import type { useSession } from '@/features/session/useSession'

/** What to look out for in a step: what its technique asks for, then each of its zones. */
export function cautionsOf(
  session: ReturnType<typeof useSession>,
  step?: Schema['Step'],
  technique?: Pick<Schema['Technique'], 'caution'>,
): string[] {
  const zones = step?.zones.flatMap((id) => session.zones.get(id) ?? []) ?? []
  return [
    ...(technique?.caution ? [technique.caution] : []),
    ...zones.flatMap((z) => {
      const most = z.ceilingLow === z.ceilingHigh ? z.ceilingLow : `${z.ceilingLow}–${z.ceilingHigh}`
      return z.caution
        ? [`${z.name}: ${z.caution}, depth ${most} at most${z.broadOnly ? ', broad tools' : ''}.`]
        : []
    }),
  ]
}
