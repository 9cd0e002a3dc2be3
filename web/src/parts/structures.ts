import { ref } from 'vue'
import { cornersOf, fromLine, type Half, type Point } from './body'

/** How a structure runs on the table, in millimetres of the client. */
export interface StructureLine {
  structure: string
  side: Half
  breadth: number
  /** Whether more than skin lies over it. */
  deep: boolean
  path: string
}
interface StructureMap {
  position: string
  lines: StructureLine[]
}

const maps = ref<StructureMap[]>([])

/** Reads where the structures run, when they are first asked for. */
export async function loadStructures() {
  if (!maps.value.length) maps.value = (await import('./structureMaps.json')).default as StructureMap[]
}

/** Those that are seen as the client lies; none before they were read. */
export function structuresOf(position: string): StructureLine[] {
  return maps.value.find((m) => m.position === position)?.lines ?? []
}

function distance(p: Point, line: StructureLine): number {
  const all = cornersOf(line)
  return Math.min(...all.slice(1).map((b, i) => fromLine(p, all[i]!, b)))
}

/** How far beside its edge a structure is still meant, millimetres. */
const BESIDE = 12

/** The structures under a finger, at most four: what lies on top first, then the nearest. */
export function structuresAt(lines: StructureLine[], at: Point, side: Half): string[] {
  return lines
    .filter((l) => l.side === side || l.side === 'midline' || side === 'midline')
    .map((l) => ({ l, beyond: distance(at, l) - l.breadth / 2 }))
    .filter((c) => c.beyond <= BESIDE)
    .sort((a, b) => Number(a.l.deep) - Number(b.l.deep) || a.beyond - b.beyond)
    .slice(0, 4)
    .map((c) => c.l.structure)
}
