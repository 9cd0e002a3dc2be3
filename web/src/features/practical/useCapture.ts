import { reactive, ref } from 'vue'
import type { Schema } from '@/api/client'
import { word } from '@/parts/words'
import type { Pick } from './fingers'
import type { Table } from './useFloor'
import { useHold } from './useHold'
import type { Progress } from './useProgress'

type Data = Schema['EventData']

/** Fingers that judge hands at work: before any are, a tap of them was meant for another table. */
const JUDGES_HANDS = ['pressure', 'mechanics']

/** What an action at a table writes down; the plan supplies what was not said. */
export function useCapture(table: Table, progress: Progress) {
  const { taps } = table
  /** A zone is wanted: that of an off-plan stroke. */
  const offPlan = ref(false)
  /** What a number is wanted for: a measure, not a report. */
  const measuring = ref<Schema['EventData']['measured']>()
  /** Words are wanted: those of a note. */
  const noting = ref(false)
  /** A branch is wanted: which of several that the plan has for the step. */
  const branching = ref(false)
  /** What the last action did, where that is not what its name says. */
  const told = ref('')
  const { holding, down, up } = useHold(
    () => taps.now.value,
    (on) => void taps.tap(on ? 'hold-start' : 'hold-stop'),
  )

  /** A step was begun here just now; its tap may still be on its way. */
  let starting = false
  const begun = () => starting || progress.begun
  function start(i: number) {
    const t = progress.tiles[i]
    if (t) starting = true
    if (t) void taps.tap('step-start', { step: t.step.id, side: t.span.side })
  }
  /** The same step on its other side: of what is on, else of what comes next. */
  function otherSide() {
    const of = progress.current ?? progress.tiles[progress.chosen]
    const other = progress.tiles.findIndex((t) => of && t.step.id === of.step.id && t.key !== of.key)
    if (!of) return
    if (other < 0) return void (told.value = `${of.step.name} has one side only: nothing was written down`)
    start(other)
    told.value = `Now ${progress.tiles[other]!.span.side}: ${of.step.name}`
  }
  /** Something came up, and it goes on as the plan says for that. */
  function instead(i?: number) {
    const at = progress.branching
    const branches = at?.step.detail?.instead ?? []
    branching.value = i === undefined && branches.length > 1
    const taken = branches[i ?? 0]
    if (!at || !taken) return void (told.value = 'The plan says nothing of what to do instead here')
    if (branching.value) return
    void taps.tap('instead', {
      step: at.step.id,
      side: at.span.side,
      when: taken.when,
      then: taken.then,
    })
    told.value = `${at.step.name}: ${word(taken.then)}`
  }
  function pick(p: Pick) {
    if (taps.finished.value) return
    told.value = ''
    if (!begun() && JUDGES_HANDS.includes(p.finger))
      return void (told.value = `Nothing has begun at this table: ${p.label.toLowerCase()} was not written down`)
    const now = progress.current
    switch (p.id) {
      case 'next':
        return start(progress.chosen)
      case 'other-side':
        return otherSide()
      case 'note':
        noting.value = true
        return
      case 'skip': {
        const t = progress.tiles[progress.chosen]
        if (t) void taps.tap('step-skip', { step: t.step.id, side: t.span.side })
        return void progress.choose(progress.chosen + 1)
      }
      case 'instead':
        return instead()
      case 'off-plan':
        offPlan.value = true
        return
      case 'hold':
        return
      case 'turn':
        return void taps.tap('turn', { position: progress.turnsTo })
      case 'lubricant': {
        const planned = now?.step.lubricant
        return void taps.tap('lubricant', { dressing: planned && planned !== 'dry' ? planned : 'oil' })
      }
      case 'pain':
      case 'range':
        measuring.value = p.id
        return
      case 'followed-up': {
        // A follow-up belongs to the vague reply before it.
        const vague = taps.counting.value.findLast((t) => t.kind === 'reply')
        if (vague && vague.data.clear === false && !vague.data.followedUp)
          return void taps.correct(vague, { clear: false, followedUp: true })
      }
    }
    if (p.kind === 'look') return void taps.tap('look', { faults: p.data.faults, asked: progress.lookAsked })
    if (p.kind === 'sheet-look') return void taps.tap('sheet-look', { ...p.data, asked: progress.sheetAsked })
    if (p.kind === 'consent')
      return void taps.tap('consent', {
        ...p.data,
        zone: progress.permissionFor(p.data.answer!) as Data['zone'],
      })
    void taps.tap(p.kind, p.data)
  }
  function depth(d: number) {
    void taps.tap('contact', { depth: d })
  }
  function tool(t: string) {
    if (t) void taps.tap('contact', { tool: t as Data['tool'] })
  }
  /** @param under what was under the hands, as it was seen; one alone is written down at once */
  function touch(zone: string, half: string, under: string[] = []) {
    const at = {
      zone: zone as NonNullable<Data['zone']>,
      side: (half === 'midline' ? undefined : half) as Data['side'],
    }
    if (offPlan.value) void taps.tap('off-plan', at)
    else {
      const structure = (under.length === 1 ? under[0] : undefined) as Data['structure']
      void taps.tap('contact', structure ? { ...at, structure } : at)
    }
    offPlan.value = false
  }
  /** Which one the hands are on, where several lie there. */
  function structure(id: string) {
    void taps.tap('contact', { structure: id as Data['structure'] })
  }
  function measure(n: number) {
    if (measuring.value)
      void taps.tap('measure', { measured: measuring.value, number: n, after: progress.after })
    measuring.value = undefined
  }
  /** What the client says aloud, unless a measure of pain waits for its number. */
  function report(n: number) {
    if (measuring.value === 'pain') return measure(n)
    // A digit that was meant for another table, or none, must do no harm.
    if (!begun()) return void (told.value = `Nothing has begun at this table: ${n} was not written down`)
    told.value = ''
    void taps.tap('report', { number: n, source: 'spoken' })
  }
  function note(text: string) {
    if (text.trim()) void taps.tap('note', { text: text.trim() })
    noting.value = false
  }
  /** The cover at the end, and what was seen of it. */
  function cover(missed: NonNullable<Data['missed']>) {
    return taps.tap('sheet-look', { missed, asked: true })
  }
  function rest() {
    void taps.tap('break', { on: progress.resting === undefined })
  }
  /** What waited for a zone or a number waits no more. */
  function neverMind() {
    offPlan.value = false
    branching.value = false
    measuring.value = undefined
    noting.value = false
  }

  return reactive({
    offPlan,
    branching,
    measuring,
    noting,
    told,
    holding,
    down,
    up,
    start,
    instead,
    pick,
    depth,
    tool,
    touch,
    structure,
    measure,
    report,
    note,
    cover,
    rest,
    neverMind,
  })
}
export type Capture = ReturnType<typeof useCapture>
