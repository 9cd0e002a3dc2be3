import type { Ref } from 'vue'
import type { Schema } from '@/api/client'
import type { Spot } from '@/parts/useDrag'
import {
  change,
  changeBlock,
  duplicate,
  insertAfter,
  insertBlocks,
  join,
  joinBlock,
  mirror,
  moveBeside,
  moveBy,
  remove,
  split,
  splitBlock,
  stepsIn,
} from './edits'
import type { StepsShown, usePicked } from './usePicked'

type Sequence = Schema['Sequence']
type Step = Schema['Step']
type Block = Schema['Block']

/** What can be done to the steps that are picked, each as one act that undo takes back. */
export function useStepActs(
  draft: { sequence: Readonly<Ref<Sequence | undefined>>; act: (what: string, next: Sequence) => void },
  picked: ReturnType<typeof usePicked>,
  list: Readonly<Ref<StepsShown | null | undefined>>,
) {
  const { steps, step, ids, chosen, number, said } = picked
  const on = (f: (s: Sequence) => void) => draft.sequence.value && f(draft.sequence.value)
  function made(what: string, result: { sequence: Sequence; made: string[] }) {
    if (result.made.length === 0) return
    draft.act(what, result.sequence)
    picked.put(result.made)
    picked.show(result.made[0]!)
  }
  return {
    move: (by: -1 | 1) =>
      on((s) => {
        draft.act(`Moved ${said.value} ${by < 0 ? 'up' : 'down'}`, moveBy(s, ids.value, by))
        if (step.value) picked.show(step.value.id)
      }),
    copy: () => on((s) => made(`Duplicated ${said.value}`, duplicate(s, ids.value))),
    flip: () => on((s) => made(`Mirrored ${said.value}`, mirror(s, ids.value))),
    halve: () => on((s) => step.value && made(`Split ${said.value}`, split(s, step.value.id))),
    /** Makes one of the steps that are picked, or of one and the next. */
    merge: () =>
      on((s) => {
        const here = step.value && steps.value.findIndex((x) => x.id === step.value!.id)
        const pair =
          ids.value.length > 1 || here === undefined
            ? ids.value
            : steps.value.slice(here, here + 2).map((x) => x.id)
        draft.act(`Joined ${pair.length} steps`, join(s, pair))
        picked.put(pair.slice(0, 1))
      }),
    drop: () =>
      on((s) => {
        const at = number(ids.value[0]!) - 1
        const next = remove(s, ids.value)
        draft.act(`Took out ${said.value}`, next)
        const near = stepsIn(next)[Math.min(at, stepsIn(next).length - 1)]?.id
        picked.put(near ? [near] : [])
        if (near) list.value?.focus(near)
      }),
    /** Puts a step, with all that are picked where it is among them, beside another. */
    dropAt: (id: string, spot: Spot) =>
      on((s) => {
        const moved = chosen.value.has(id) ? ids.value : [id]
        draft.act(
          `Moved ${moved.length === 1 ? `step ${number(id)}` : `${moved.length} steps`}`,
          moveBeside(s, moved, spot.id, spot.where),
        )
        if (!chosen.value.has(id)) picked.put([id])
      }),
    /** Puts new steps behind the one that is picked. */
    add: (what: string, fresh: Step[]) =>
      on((s) => {
        draft.act(what, insertAfter(s, step.value?.id, fresh))
        picked.pick(fresh.at(-1)!.id)
      }),
    lay: (what: string, blocks: Block[]) =>
      on((s) => {
        draft.act(what, insertBlocks(s, step.value?.id, blocks))
        picked.pick(blocks[0]!.steps[0]!.id)
      }),
    edit: (what: string, id: string, patch: Partial<Step>) =>
      on((s) => draft.act(what, change(s, id, patch))),
    newBlock: () => on((s) => step.value && draft.act('New block', splitBlock(s, step.value.id))),
    joinBlocks: (first: string) => on((s) => draft.act('Joined blocks', joinBlock(s, first))),
    editBlock: (id: string, patch: Partial<Block>) =>
      on((s) => {
        const { name } = s.blocks.find((b) => b.id === id)!
        draft.act(`Changed ${name || 'a block'}`, changeBlock(s, id, patch))
      }),
  }
}
