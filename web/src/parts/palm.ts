import { AS_THE_HAND_LIES, hue, type Criterion } from './criteria'

export interface Bar {
  criterion: Criterion
  fill: number
  state: string
}

const ANGLES = [-58, -27, 0, 27, 62]
/** Where the bars stand when they stand upright; the foot of all of them is at y 2. */
const STAND = [4, 14, 24, 34, 44]
const LENGTH = 22
const drawn = new Map<string, string>()

/**
 * What is inside the drawing of a palm. As text: a cohort shows hundreds, of which most look alike, and a node of the framework for
 * every bar of each takes longer than everything else on that page. Nothing but our own numbers and names goes in.
 */
export function palmMarkup(
  bars: readonly Bar[],
  secure: number | undefined,
  upright: boolean,
  only: Criterion | '',
): string {
  const key = `${upright}/${only}/${secure}/${bars.map((b) => `${b.criterion}${b.fill}${b.state}`).join()}`
  const there = drawn.get(key)
  if (there !== undefined) return there
  const markup = draw(bars, secure, upright, only)
  drawn.set(key, markup)
  return markup
}

function draw(bars: readonly Bar[], secure: number | undefined, upright: boolean, only: Criterion | '') {
  const out: string[] = []
  AS_THE_HAND_LIES.forEach((f, i) => {
    const bar = bars.find((b) => b.criterion === f.id)
    const fill = bar?.fill ?? 0
    const state = bar?.state ?? 'not seen'
    const place = upright ? `translate(${STAND[i]} 14)` : `translate(32 40) rotate(${ANGLES[i]})`
    const faint = only && only !== f.id ? ' opacity=".15"' : ''
    out.push(`<g transform="${place}"${faint}>`)
    out.push(
      `<rect x="-3.6" y="${-12 - LENGTH}" width="7.2" height="${LENGTH}" rx="3.6" fill="none" stroke="${hue(f.id)}" stroke-width="1.2"${state === 'not seen' ? ' stroke-dasharray="2 2"' : ''} />`,
    )
    if (fill > 0)
      out.push(
        `<rect x="-3.6" y="${-12 - (LENGTH * fill) / 4}" width="7.2" height="${(LENGTH * fill) / 4}" rx="3.6" fill="${hue(f.id)}" />`,
      )
    if (state === 'due again')
      out.push(
        `<circle cy="${-12 - LENGTH + 3}" r="5.2" fill="none" stroke="var(--ink)" stroke-width="1.6" />`,
      )
    if (state === 'open critical')
      out.push(
        `<path transform="translate(0 ${-12 - LENGTH + 3})" d="M-4.5 -4.5 4.5 4.5M4.5 -4.5 -4.5 4.5" stroke="var(--stop)" stroke-width="2.6" stroke-linecap="round" />`,
      )
    out.push('</g>')
  })
  const empty = bars.every((b) => b.fill === 0)
  const counted = secure !== undefined && !empty
  out.push(
    `<rect x="${upright ? 51 : 23}" y="${upright ? -15 : 35}" width="18" height="17" rx="7.5" fill="${counted ? 'var(--ink)' : 'none'}" stroke="var(--ink)" stroke-width="1.2"${empty ? ' stroke-dasharray="2 2"' : ''} />`,
  )
  if (counted)
    out.push(
      `<text x="${upright ? 60 : 32}" y="${upright ? -2.4 : 47.6}" text-anchor="middle" font-size="11.5" font-weight="700" fill="var(--paper)">${secure}</text>`,
    )
  return out.join('')
}

/** All five in words, thumb first. */
export const spokenPalm = (bars: readonly Bar[]) =>
  [...AS_THE_HAND_LIES]
    .reverse()
    .map((f) => `${f.name} ${bars.find((b) => b.criterion === f.id)?.state ?? 'not seen'}`)
    .join(', ')
