import type { Schema } from '@/api/client'

export type Detail = Schema['Detail']
type Of<K extends keyof Detail> = NonNullable<Detail[K]>

/** Nothing more is said of a step than stands on its line. */
export const nothing = (): Detail => ({
  structures: [],
  manner: [],
  limb: [],
  props: [],
  part: [],
  instead: [],
  words: {},
})

/** Whether anything is said. */
export const says = (d: Detail | undefined): boolean =>
  !!d &&
  Object.values(d).some((v) => (v && typeof v === 'object' ? Object.keys(v).length > 0 : v !== undefined))

/** A detail with one thing changed; undefined where nothing is left. */
export function changed<K extends keyof Detail>(
  d: Detail | undefined,
  key: K,
  value: Detail[K],
): Detail | undefined {
  const all: Detail = { ...(d ?? nothing()), [key]: value }
  return says(all) ? all : undefined
}

export const FIBRES = ['along', 'across', 'oblique'] as const satisfies Of<'fibre'>[]
export const PACES = ['slow', 'steady', 'quick'] as const satisfies Of<'pace'>[]
export const OTHER_HANDS = [
  'reinforces',
  'holds-the-joint',
  'moves-the-limb',
  'cradles-the-head',
  'lifts-the-shoulder',
  'supports-above-the-joint',
  'stretches-the-skin',
  'holds-the-sheet',
  'rests',
  'follows',
  'works-alternately',
  'works-together',
  'works-opposite',
] as const satisfies Of<'otherHand'>[]
export const MANNERS = [
  'pivots',
  'forearm-on-table',
  'elbows-straight',
  'leans-in',
] as const satisfies Detail['manner'][number][]
export const LIMBS = [
  'arm-at-side',
  'arm-off-table',
  'arm-overhead',
  'arm-across',
  'arm-behind-back',
  'arm-out',
  'arm-over-sheet',
  'on-thigh',
  'knee-bent',
  'heel-to-hip',
  'ankle-on-shoulder',
  'hip-turned-out',
  'hip-turned-in',
  'leg-across',
  'leg-off-side',
  'leg-straight',
  'leg-lifted',
  'foot-off-end',
  'foot-flat',
  'head-turned',
  'head-tilted',
  'head-lifted',
  'upper-knee-forward',
] as const satisfies Detail['limb'][number][]
export const PROPS = [
  'bolster-under-ankles',
  'bolster-under-knees',
  'pillow-between-knees',
  'pillow-hugged',
  'pillow-under-arm',
  'pillow-under-head',
  'pillow-under-belly',
  'rolled-towel',
  'towel',
  'wedge',
  'face-rest',
  'blanket-aside',
  'blanket',
  'wipes',
  'gloves',
  'cold-cup',
  'cold-pack',
  'hot-pack',
  'stool',
] as const satisfies Detail['props'][number][]
export const DOES = [
  'breathes-in',
  'breathes-out',
  'breathes-slowly',
  'clenches',
  'opens',
  'moves',
  'shrugs',
  'lifts-the-head',
  'pushes',
  'holds',
  'lets-go',
  'moves-tissue-aside',
  'chooses',
  'says-when',
] as const satisfies Detail['part'][number]['does'][]
export const ENDS = [
  'softens',
  'number-falls',
  'no-sensation',
  'numb',
  'range-changes',
  'client-says',
  'warm',
] as const satisfies Of<'end'>['when'][]
export const WHENS = [
  'hurts',
  'number-stays',
  'slides-off',
  'ticklish',
  'will-not-let-go',
  'shoots',
  'hot-or-swollen',
  'cannot-reach',
  'grip-does-not-fit',
  'declines-skin',
  'stays-clothed',
  'client-helps',
  'little-time',
  'over-lengthened',
  'other',
] as const satisfies Detail['instead'][number]['when'][]
export const THENS = [
  'broader',
  'lighter',
  'slower',
  'other-angle',
  'other-grip',
  'other-technique',
  'other-place',
  'still-hand',
  'rocking',
  'shortened',
  'through-the-sheet',
  'clothed',
  'walk-round',
  'ask-to-let-fall',
  'ask',
  'opposite',
  'later',
  'move-on',
  'skip',
  'stop',
] as const satisfies Detail['instead'][number]['then'][]
/** After these the step is not done any further. */
export const ENDING: readonly string[] = ['later', 'move-on', 'skip', 'stop']
export const COMPARED = [
  'number',
  'range',
  'standing',
  'look',
  'tissue',
  'tension',
  'sides',
] as const satisfies Of<'compares'>['what'][number][]
export const COMPARED_WHEN = ['before', 'between', 'after'] as const satisfies Of<'compares'>['when'][]

/** A list with one thing put in, or taken out where it was in. */
export const toggled = <T>(list: readonly T[], one: T): T[] =>
  list.includes(one) ? list.filter((x) => x !== one) : [...list, one]
