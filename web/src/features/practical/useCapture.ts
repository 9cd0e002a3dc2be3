import { reactive, ref } from 'vue'
import type { Schema } from '@/api/client'
import type { Pick } from './fingers'
import { live } from './run'
import type { Table } from './useFloor'
import { useHold } from './useHold'
import type { Progress } from './useProgress'

type Data = Schema['EventData']

/** What an action at a table writes down; the plan supplies what was not said. */
export function useCapture(table: Table, progress: Progress) {
  const { taps } = table
  /** A zone is wanted: that of an off-plan stroke. */
  const offPlan = ref(false)
  /** What a number is wanted for: a measure, not a report. */
  const measuring = ref<'pain' | 'range'>()
  const { holding, down, up } = useHold(
    () => taps.now.value,
    (on) => void taps.tap(on ? 'hold-start' : 'hold-stop'),
  )

  function start(i: number) {
    const t = progress.tiles[i]
    if (t) void taps.tap('step-start', { step: t.step.id, side: t.span.side })
  }
  function pick(p: Pick) {
    if (taps.finished.value) return
    const now = progress.current
    switch (p.id) {
      case 'next':
        return start(progress.chosen)
      case 'other-side': {
        const other = progress.tiles.findIndex((t) => now && t.step.id === now.step.id && t.key !== now.key)
        if (now && other >= 0) start(other)
        return
      }
      case 'skip': {
        const t = progress.tiles[progress.chosen]
        if (t) void taps.tap('step-skip', { step: t.step.id, side: t.span.side })
        return void progress.choose(progress.chosen + 1)
      }
      case 'off-plan':
        offPlan.value = true
        return
      case 'hold':
        return
      case 'deeper':
        return depth(Math.min(5, (now?.step.depth ?? 3) + 1))
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
        const vague = live(taps.taps.value).findLast((t) => t.kind === 'reply')
        if (vague && vague.data.clear === false && !vague.data.followedUp)
          return void taps.correct(vague, { clear: false, followedUp: true })
      }
    }
    if (p.kind === 'look') return void taps.tap('look', { faults: p.data.faults, asked: progress.lookAsked })
    if (p.kind === 'consent')
      return void taps.tap('consent', { ...p.data, zone: progress.sensitiveZone as Data['zone'] })
    void taps.tap(p.kind, p.data)
  }
  function depth(d: number) {
    void taps.tap('contact', { depth: d })
  }
  function tool(t: string) {
    if (t) void taps.tap('contact', { tool: t as Data['tool'] })
  }
  function touch(zone: string, half: string) {
    const at = {
      zone: zone as NonNullable<Data['zone']>,
      side: (half === 'midline' ? undefined : half) as Data['side'],
    }
    void taps.tap(offPlan.value ? 'off-plan' : 'contact', at)
    offPlan.value = false
  }
  function measure(n: number) {
    if (measuring.value)
      void taps.tap('measure', { measured: measuring.value, number: n, after: progress.after })
    measuring.value = undefined
  }
  /** What the client says aloud, unless a measure of pain waits for its number. */
  function report(n: number) {
    if (measuring.value === 'pain') return measure(n)
    void taps.tap('report', { number: n, source: 'spoken' })
  }
  function rest() {
    void taps.tap('break', { on: progress.resting === undefined })
  }
  /** What waited for a zone or a number waits no more. */
  function neverMind() {
    offPlan.value = false
    measuring.value = undefined
  }

  return reactive({
    offPlan,
    measuring,
    holding,
    down,
    up,
    start,
    pick,
    depth,
    tool,
    touch,
    measure,
    report,
    rest,
    neverMind,
  })
}
export type Capture = ReturnType<typeof useCapture>
