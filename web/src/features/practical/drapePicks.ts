import type { Schema } from '@/api/client'
import { capital } from '@/parts/words'
import { PICKS, type Pick } from './fingers'

type Drape = Schema['DrapeWord']
type Fault = Drape['points'][number]['fault']

/** The keys that what is wrong with any sheet has in every method. */
const USUAL: Partial<Record<Fault, string>> = {
  loose: 'k',
  'left-open': 'l',
  'lifted-too-high': 'i',
  'not-secured': 'o',
  'not-covered-at-end': 'p',
}
/** Keys for the points that are a method's own, in its order. */
const OWN = [...'mnerzcv;']

/**
 * What the draping finger has while the sheet is opened in a way of the school's: clean, exactly its points, permission.
 *
 * @param asks whether permission is due: then it stands before the points
 */
export function drapePicks(drape: Drape | undefined, asks = false): Pick[] {
  if (!drape) return PICKS.draping
  const taken = new Set<string>()
  const own = [...OWN]
  const points = drape.points.map((p): Pick => {
    const usual = USUAL[p.fault]
    const key = usual && !taken.has(usual) ? usual : own.shift()!
    taken.add(key)
    return {
      id: `point-${p.id}`,
      label: capital(p.missed),
      finger: 'draping',
      key,
      kind: 'sheet-look',
      data: { missed: [p.fault], points: [p.id] },
    }
  })
  const [clean, ...rest] = PICKS.draping
  const others = rest.filter((p) => p.kind !== 'sheet-look')
  const consent = others.filter((p) => p.kind === 'consent')
  return asks
    ? [clean!, ...consent, ...points, ...others.filter((p) => p.kind !== 'consent')]
    : [clean!, ...points, ...others]
}
