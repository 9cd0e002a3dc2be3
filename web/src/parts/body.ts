/** A zone as a capsule on the table figure. dx is the distance from the midline, in the figure's own units. */
export interface Shape {
  zone: string
  unit: string
  dx: number
  y: number
  w: number
  h: number
  /** Midline zones are drawn once. */
  mid?: boolean
}

const s = (zone: string, unit: string, dx: number, y: number, w: number, h: number, mid = false): Shape => ({
  zone,
  unit,
  dx,
  y,
  w,
  h,
  mid,
})

/** The body from behind, head up. Later shapes lie on top of earlier ones. */
export const BACK: readonly Shape[] = [
  s('scalp', 'head', -8, 8, 16, 15, true),
  s('base-of-skull', 'head', 0.6, 24, 7, 5),
  s('neck-back', 'head', 0.6, 30, 7, 9),
  s('top-of-shoulder', 'back', 1, 41, 25, 9),
  s('upper-back', 'back', 1, 51, 11, 30),
  s('shoulder-blade', 'back', 13, 51, 13, 22),
  s('kidneys', 'back', 13, 75, 10, 15),
  s('lumbar', 'back', 1, 82, 11, 20),
  s('sacrum', 'back', 0.8, 104, 6, 17),
  s('gluteals', 'hip', 7.5, 104, 16, 22),
  s('hip-rotators', 'hip', 12, 109, 9, 8),
  s('upper-arm-outer', 'arm', 29, 50, 9, 30),
  s('forearm-extensors', 'arm', 30, 83, 5, 27),
  s('forearm-flexors', 'arm', 35.5, 83, 5, 27),
  s('wrist', 'arm', 31, 111, 8, 5),
  s('hand', 'arm', 31, 117, 9, 16),
  s('hamstrings', 'leg', 3, 128, 14, 42),
  s('thigh-outer', 'leg', 18, 128, 6, 42),
  s('knee-back', 'leg', 4, 172, 17, 8),
  s('calf', 'leg', 4, 182, 17, 36),
  s('calf-centre', 'leg', 10.5, 185, 4, 30),
  s('achilles', 'leg', 8, 219, 9, 9),
  s('sole', 'leg', 6, 230, 13, 14),
]

/** The body from the front, head up. */
export const FRONT: readonly Shape[] = [
  s('scalp', 'head', -8, 6, 16, 7, true),
  s('face', 'head', 0.5, 13, 7, 11),
  s('ears', 'head', 8.4, 15, 2.6, 6),
  s('jaw-muscles', 'head', 1, 21, 7, 5),
  s('inside-mouth', 'head', 0.4, 21.5, 3, 2),
  s('below-ear', 'head', 6, 25, 3, 4),
  s('throat', 'head', -2, 28, 4, 11, true),
  s('neck-side', 'head', 2.4, 28, 2.6, 11),
  s('strap-muscle', 'head', 5.2, 29, 3.2, 10),
  s('top-of-shoulder', 'back', 9, 39, 17, 6),
  s('chest-wall', 'chest', 1, 46, 24, 14),
  s('breast', 'chest', 4, 57, 16, 13),
  s('sternum', 'chest', -2, 47, 4, 25, true),
  s('armpit', 'arm', 22, 60, 6, 9),
  s('rib-edge', 'abdomen', 3, 72, 19, 8),
  s('belly', 'abdomen', -17, 82, 34, 26, true),
  s('upper-arm-outer', 'arm', 33, 50, 6, 30),
  s('upper-arm-inner', 'arm', 28, 50, 4.6, 28),
  s('elbow-inside', 'arm', 29, 79, 9, 6),
  s('forearm-flexors', 'arm', 30, 86, 5, 25),
  s('forearm-extensors', 'arm', 35.5, 86, 5, 25),
  s('wrist', 'arm', 31, 112, 8, 5),
  s('hand', 'arm', 31, 118, 9, 16),
  s('groin', 'leg', 2, 112, 8, 12),
  s('thigh-inner', 'leg', 2.5, 126, 5, 42),
  s('thigh-front', 'leg', 8, 114, 10, 54),
  s('thigh-outer', 'leg', 18.5, 118, 5, 50),
  s('knee-inner', 'leg', 3, 171, 4, 9),
  s('kneecap', 'leg', 8, 170, 10, 10),
  s('shin', 'leg', 5, 182, 15, 24),
  s('shin-lower', 'leg', 7, 207, 11, 16),
  s('foot-top', 'leg', 6, 225, 12, 17),
  s('sole', 'leg', 8, 243, 9, 5),
]

export type Half = 'left' | 'right' | 'midline'

/** Which halves of a zone work on a side touches. */
export function halves(side: string): Half[] {
  if (side === 'left' || side === 'right') return [side]
  return ['left', 'right', 'midline']
}

/** Face down, the client's left is on the viewer's left; face up on the right. */
export function onRight(half: Half, front: boolean): boolean {
  return front ? half === 'left' : half === 'right'
}

export function facesUp(position: string): boolean {
  return position === 'supine' || position === 'semi-reclined'
}
