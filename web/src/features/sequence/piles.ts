import type { Schema } from '@/api/client'

type CheckView = Schema['CheckView']

/** From so many on, what one rule says stands together. */
const MANY = 3

/** Findings in their order, those of one rule and one weight together at the first of them where there are many. */
export function piled(findings: CheckView[]): CheckView[][] {
  const kind = (f: CheckView) => `${f.finding.severity} ${f.finding.rule}`
  const piles = new Map<string, CheckView[]>()
  for (const f of findings) piles.set(kind(f), [...(piles.get(kind(f)) ?? []), f])
  return findings.flatMap((f) => {
    const pile = piles.get(kind(f))!
    if (pile.length < MANY) return [[f]]
    return pile[0] === f ? [pile] : []
  })
}

/** What a pile is known by: it stays the same, and open, while those in it are mended one by one. */
export function pileKey([first, ...more]: CheckView[]): string {
  const { severity, rule, key } = first!.finding
  return more.length ? `${severity} ${rule}` : key
}
