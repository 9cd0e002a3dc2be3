import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

/** Relative luminance and contrast ratio of WCAG 2.2 (definitions of those terms). */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4))
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
}
function contrast(a: string, b: string): number {
  const [hi, lo] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (hi! + 0.05) / (lo! + 0.05)
}
const css = readFileSync('src/tokens.css', 'utf8')
function tokens(theme: string): Record<string, string> {
  const block = css.split(`.v-theme--${theme} {`)[1]!.split('}')[0]!
  return Object.fromEntries([...block.matchAll(/--([a-z-]+): (#[0-9a-f]{6});/g)].map((m) => [m[1], m[2]]))
}

describe.each(['linen', 'night'])('%s', (theme) => {
  const t = tokens(theme)
  const pairs: [string, string][] = [
    ['ink', 'ground'],
    ['ink', 'paper'],
    ['ink-soft', 'ground'],
    ['ink-soft', 'paper'],
    ['rail-ink', 'rail'],
    ...['pressure', 'order', 'mechanics', 'communication', 'draping', 'stop', 'warn', 'hint', 'good'].flatMap(
      (c): [string, string][] => [
        [c, 'paper'],
        [c, 'ground'],
      ],
    ),
    ...['pressure', 'order', 'mechanics', 'communication', 'draping'].flatMap((c): [string, string][] => [
      ['on-hue', c],
      ['ink', `${c}-wash`],
    ]),
    ['ink', 'stop-wash'],
    ['stop', 'stop-wash'],
  ]
  it.each(pairs)('%s on %s has at least 4.5 to 1', (fore, back) => {
    expect(contrast(t[fore]!, t[back]!)).toBeGreaterThanOrEqual(4.5)
  })
  it.each(['paper', 'ground'])('a field is seen on %s: 3 to 1, WCAG 2.2, 1.4.11', (back) => {
    expect(contrast(t['edge']!, t[back]!)).toBeGreaterThanOrEqual(3)
  })
  it('black on white has 21 to 1, as WCAG says', () =>
    expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5))
})

it('the projected step has at least 7 to 1', () => {
  const t = tokens('night')
  expect(contrast(t['ink']!, t['ground']!)).toBeGreaterThanOrEqual(7)
})
