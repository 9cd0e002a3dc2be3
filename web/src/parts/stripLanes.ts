import { computed, type Ref } from 'vue'
import { FINGERS, type Criterion } from './criteria'
import type { Box, StripModel } from './strip'

/** Room for the name of a lane, left of its time, px. */
export const LANE_NAME = 136
type Span = { start: number; end: number }

/** Where things lie on a strip, px: its five lanes below one another, time from left to right. */
export function useStripLanes(model: () => StripModel, slim: () => boolean, width: Readonly<Ref<number>>) {
  const all = computed(() => {
    const two = !!model().seen
    const h = slim()
      ? { pressure: 28, order: two ? 40 : 24, mechanics: 14, communication: 16, draping: 14 }
      : { pressure: 62, order: two ? 74 : 44, mechanics: 26, communication: 30, draping: 26 }
    let y = 0
    return FINGERS.map((f) => {
      const lane = { ...f, y, h: h[f.id] }
      y += h[f.id] + 4
      return lane
    })
  })
  const byId = computed(() => new Map(all.value.map((l) => [l.id, l])))
  const lane = (id: Criterion) => byId.value.get(id)!
  const room = computed(() => Math.max(200, width.value - LANE_NAME - 12))
  /** What is the same for hundreds of blocks is looked up once. */
  const scale = computed(() => {
    const { total } = model()
    const wide = room.value
    return (second: number) => LANE_NAME + (Math.min(second, total) / total) * wide
  })
  /** Height of a value in the lane of pressure, of `most`. */
  function pressureY(value: number, most: number) {
    const l = lane('pressure')
    return l.y + l.h - 4 - (value / most) * (l.h - 8)
  }
  /** Hundreds of blocks are a few pixels wide each: drawn as plain bars, which costs a tenth of round and outlined ones. */
  const dense = computed(() => room.value < 8 * model().blocks.length)
  return {
    all,
    lane,
    height: computed(() => all.value.reduce((sum, l) => sum + l.h + 4, 0) - 4),
    room,
    scale,
    x: (second: number) => scale.value(second),
    middle: (id: Criterion) => lane(id).y + lane(id).h / 2,
    depthY: (depth: number) => pressureY(depth, 5),
    reportY: (report: number) => pressureY(report, 10),
    dense,
    /** Planned blocks in the lane of order; below them stands what was done, where something was. */
    orderBox: computed(() => {
      const at = scale.value
      const { y, h } = lane('order')
      const tall = (model().seen ? h / 2 : h) - 6
      return (b: Span): Box => ({
        x: at(b.start),
        y: y + 3,
        w: Math.max(2, at(b.end) - at(b.start) - 1.5),
        h: tall,
      })
    }),
    /** From where to where something goes, with a gap behind it. */
    across: computed(() => {
      const at = scale.value
      return (b: Span, gap = 0) => ({ x: at(b.start), w: Math.max(1, at(b.end) - at(b.start) - gap) })
    }),
  }
}
export type StripLanes = ReturnType<typeof useStripLanes>
