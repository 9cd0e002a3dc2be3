import example from '../../../../docs/formats/examples/practical.json'
import * as core from '@core'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { computed, effectScope, ref, shallowRef } from 'vue'
import type { Schema } from '@/api/client'
import type { SoFar } from '@/core/askTaps'
import { PICKS, type Pick } from './fingers'
import type { Tap } from './queue'
import { useCapture } from './useCapture'
import type { Table } from './useFloor'
import { useProgress } from './useProgress'

/** A step as the files of the school hold one, with what matters here otherwise. */
const step = (id: string, more: object) => ({
  ...example.sequence.blocks[0]!.steps[0],
  id,
  name: id,
  zones: ['calf'],
  side: 'midline',
  phase: 'warm',
  position: 'prone',
  depth: 2,
  technique: 'effleurage',
  lubricant: 'oil',
  sheet: 'covered',
  say: [],
  ...more,
})
const NO_DETAIL = { structures: [], manner: [], limb: [], props: [], part: [], words: {} }
const instead = (when: string, then: string) => ({ when, then, zones: [] })
const STEPS = [
  step('greet', { phase: 'settle', lubricant: 'dry' }),
  step('strip', { depth: 4, phase: 'treat', sheet: 'open', side: 'each' }),
  step('holds', {
    detail: { ...NO_DETAIL, instead: [instead('hurts', 'lighter'), instead('little-time', 'skip')] },
  }),
  step('glutes', { zones: ['gluteals'], position: 'side-left', sheet: 'through', side: 'left' }),
]
const span = (id: string, side: string) => ({
  step: id,
  side,
  start: 0,
  end: 60,
  open: [],
  band: { low: 4, high: 6 },
})
const SIDES = { asked: [], sides: 'each', extent: { part: false, opening: true, closing: true } }
const view = {
  ...SIDES,
  sequence: {
    ...example.sequence,
    techniques: [],
    blocks: [
      { id: 'b', name: 'b', order: 'in-order', repeat: 'each-side', steps: STEPS.slice(0, 2) },
      { id: 'c', name: 'c', order: 'in-order', repeat: 'once', steps: [STEPS[3], STEPS[2]] },
    ],
  },
  spans: [
    span('greet', 'midline'),
    span('strip', 'right'),
    span('strip', 'left'),
    span('glutes', 'left'),
    span('holds', 'midline'),
  ],
  profile: example.profile,
} as unknown as Schema['PracticalView']

/** A table whose clock and log the test holds; the core that ships says at once what the taps come to. */
function table() {
  const all = shallowRef<Tap[]>([])
  const now = ref(0)
  const finished = ref(false)
  let n = 0
  const tap = (kind: Tap['kind'], data: object = {}) => {
    all.value = [
      ...all.value,
      { id: `t${n}`, device: 'd', seq: n++, atMs: now.value, kind, data } as unknown as Tap,
    ]
    return Promise.resolve()
  }
  const correct = (of: Tap, data: object) => tap(of.kind, { ...data, corrects: of.id })
  const { sequence, profile } = view
  const soFar = computed(
    () => core.open({ id: 'p', ...SIDES, sequence, profile, rated: false, events: all.value }) as SoFar,
  )
  const progress_ = computed(() => soFar.value.progress)
  const counting = computed(() => progress_.value.counting.map((id) => all.value.find((t) => t.id === id)!))
  const pressed = ref<number>()
  const taps = { taps: all, counting, pressed, progress: progress_, now, finished, tap, correct }
  const at = { id: 'p', view, taps } as unknown as Table
  const scope = effectScope()
  const progress = scope.run(() => useProgress(at))!
  const capture = scope.run(() => useCapture(at, progress))!
  const last = () => all.value.at(-1)
  return { at, all, now, finished, pressed, tap, progress, capture, last }
}
const of = (id: string): Pick =>
  Object.values(PICKS)
    .flat()
    .find((p) => p.id === id)!

describe('what an action writes down', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('a number lights its key when it is pressed, and the one that counts stays lit', () => {
    const { capture, pressed, progress } = table()
    capture.start(0)
    capture.report(4)
    expect(progress.shown).toBe(4)
    pressed.value = 6
    expect([progress.shown, progress.said?.number]).toEqual([6, 4])
  })

  it('the next step is still the next one for who comes back to the table', () => {
    const { at, capture } = table()
    capture.start(0)
    capture.start(1)
    const scope = effectScope()
    expect(scope.run(() => useProgress(at))!.chosen).toBe(2)
    scope.stop()
  })
  it('the next step is the first that has not been seen, on its side', () => {
    const { capture, progress, last } = table()
    capture.pick(of('next'))
    expect(last()).toMatchObject({ kind: 'step-start', data: { step: 'greet', side: 'midline' } })
    return Promise.resolve().then(() => {
      expect(progress.current?.step.id).toBe('greet')
      capture.pick(of('next'))
      expect(last()).toMatchObject({ data: { step: 'strip', side: 'right' } })
    })
  })
  it('the other side is that of the step that is on, and says so; without one there is nothing to write', () => {
    const { capture, all, last } = table()
    capture.start(1)
    capture.pick(of('other-side'))
    expect(last()?.data).toMatchObject({ step: 'strip', side: 'left' })
    expect(capture.told).toBe('Now left: strip')
    capture.start(0)
    const before = all.value.length
    capture.pick(of('other-side'))
    expect(all.value.length).toBe(before)
    expect(capture.told).toBe('greet has one side only: nothing was written down')
  })
  it('before anything is on the other side is that of what comes next: one key for who begins on it', () => {
    const { capture, progress, last } = table()
    progress.choose(1)
    capture.pick(of('other-side'))
    expect(last()).toMatchObject({ kind: 'step-start', data: { step: 'strip', side: 'left' } })
  })
  it('a digit before anything has begun writes nothing down', () => {
    const { capture, all, last } = table()
    capture.report(3)
    expect(all.value).toEqual([])
    expect(capture.told).toBe('Nothing has begun at this table: 3 was not written down')
    capture.pick(of('look-clean'))
    capture.pick(of('answer-eased'))
    expect(all.value).toEqual([])
    expect(capture.told).toBe('Nothing has begun at this table: eased was not written down')
    capture.start(0)
    capture.report(3)
    expect(last()).toMatchObject({ kind: 'report', data: { number: 3, source: 'spoken' } })
    expect(capture.told).toBe('')
  })
  it('a look at the sheet was asked for only after a change of it', () => {
    const { capture, progress, now, last } = table()
    capture.start(0)
    capture.pick(of('sheet-clean'))
    expect(last()).toMatchObject({ kind: 'sheet-look', data: { missed: [], asked: false } })
    now.value = 1000
    capture.start(1)
    expect(progress.cues.draping).toEqual({ text: 'look at the sheet', hot: true })
    capture.pick(of('sheet-loose'))
    expect(last()).toMatchObject({ kind: 'sheet-look', data: { missed: ['loose'], asked: true } })
    capture.pick(of('sheet-clean'))
    expect(last()?.data).toMatchObject({ asked: false })
  })
  it('what is done instead is asked for only where the plan has several answers', () => {
    const { capture, progress, all, last } = table()
    capture.start(0)
    capture.instead()
    expect(all.value.length).toBe(1)
    expect(capture.told).toBe('The plan says nothing of what to do instead here')
    expect(progress.picks.order.map((p) => p.id)).not.toContain('instead')
    capture.start(4)
    expect(progress.picks.order.map((p) => p.id)).toContain('instead')
    capture.pick(of('instead'))
    expect(capture.branching).toBe(true)
    expect(all.value.length).toBe(2)
    capture.instead(1)
    expect(capture.branching).toBe(false)
    expect(last()).toMatchObject({
      kind: 'instead',
      data: { step: 'holds', side: 'midline', when: 'little-time', then: 'skip' },
    })
    expect(capture.told).toBe('holds: skip')
  })
  it('a note is what is typed, and nothing where nothing is', () => {
    const { capture, all, last } = table()
    capture.pick(of('note'))
    expect(capture.noting).toBe(true)
    capture.note('  ')
    expect(all.value).toEqual([])
    capture.pick(of('note'))
    capture.note(' slows down by itself ')
    expect(last()).toMatchObject({ kind: 'note', data: { text: 'slows down by itself' } })
    expect(capture.noting).toBe(false)
  })
  it('the plan supplies dressing, and the position that comes next', () => {
    const { capture, last } = table()
    capture.pick(of('lubricant'))
    expect(last()?.data).toEqual({ dressing: 'oil' })
    capture.start(1)
    capture.pick(of('turn'))
    expect(last()?.data).toEqual({ position: 'side-left' })
  })
  it('permission that is asked ahead is for the next sensitive place without a yes', () => {
    const { capture, progress, last } = table()
    progress.choose(0)
    capture.pick(of('consent-asked'))
    expect(last()?.data).toEqual({ answer: 'asked', zone: 'gluteals' })
    capture.pick(of('consent-yes'))
    expect(last()?.data).toEqual({ answer: 'yes', zone: 'gluteals' })
    capture.pick(of('consent-asked'))
    expect(last()?.data).toEqual({ answer: 'asked', zone: undefined })
  })
  it('permission is for the sensitive place that is on or comes next', () => {
    const { capture, progress, last } = table()
    progress.choose(3)
    expect(progress.cues.draping).toEqual({ text: 'gluteals: ask first', hot: true })
    capture.pick(of('consent-yes'))
    expect(last()?.data).toEqual({ answer: 'yes', zone: 'gluteals' })
    expect(progress.cues.draping.hot).toBe(false)
    progress.choose(0)
    capture.pick(of('consent-withdrawn'))
    expect(last()?.data).toEqual({ answer: 'withdrawn', zone: 'gluteals' })
  })
  it('a look was asked for only while it is', () => {
    const { capture, now, tap, last } = table()
    void tap('attend', { on: true })
    capture.start(0)
    capture.pick(of('look-clean'))
    expect(last()?.data).toMatchObject({ asked: false })
    now.value = 21_000
    capture.pick(of('look-clean'))
    expect(last()?.data).toMatchObject({ asked: true })
    now.value = 22_000
    capture.pick(of('look-clean'))
    expect(last()?.data).toMatchObject({ asked: false })
  })
  it('a measure takes the number that would else be what the client says', () => {
    const { capture, last } = table()
    capture.pick(of('pain'))
    capture.report(6)
    expect(last()).toMatchObject({ kind: 'measure', data: { measured: 'pain', number: 6, after: false } })
    capture.start(0)
    capture.report(6)
    expect(last()).toMatchObject({ kind: 'report', data: { number: 6, source: 'spoken' } })
    capture.start(1)
    capture.pick(of('pain'))
    capture.report(2)
    expect(last()?.data).toMatchObject({ after: true })
  })
  it('a place touched is a contact, unless an off-plan stroke waits for its place', () => {
    const { capture, last } = table()
    capture.touch('calf', 'left')
    expect(last()).toMatchObject({ kind: 'contact', data: { zone: 'calf', side: 'left' } })
    capture.pick(of('off-plan'))
    capture.touch('calf', 'midline')
    expect(last()).toMatchObject({ kind: 'off-plan', data: { zone: 'calf', side: undefined } })
    capture.touch('calf', 'left')
    expect(last()?.kind).toBe('contact')
  })
  it('what was under the hand is written down where it is one, and asked for where it is several', () => {
    const { capture, last } = table()
    capture.touch('calf', 'left', ['soleus'])
    expect(last()?.data).toEqual({ zone: 'calf', side: 'left', structure: 'soleus' })
    capture.touch('calf', 'left', ['soleus', 'gastrocnemius'])
    expect(last()?.data).toEqual({ zone: 'calf', side: 'left' })
    capture.structure('gastrocnemius')
    expect(last()).toMatchObject({ kind: 'contact', data: { structure: 'gastrocnemius' } })
  })
  it('a follow-up belongs to the vague reply before it', () => {
    const { capture, last } = table()
    capture.pick(of('vague'))
    capture.pick(of('followed-up'))
    expect(last()?.data).toMatchObject({ followedUp: true, corrects: 't0' })
  })
  it('nothing more once it is finished', () => {
    const { capture, finished, all } = table()
    finished.value = true
    capture.pick(of('look-clean'))
    expect(all.value).toEqual([])
  })
})

describe('how far a table is', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('the words of the opening stand first until the work begins', () => {
    const { progress, capture } = table()
    const shown = () => progress.picks.communication.map((p) => p.when)
    expect(shown().slice(0, 5)).toEqual(['opening', 'opening', 'opening', 'opening', undefined])
    capture.start(1)
    expect(shown().filter(Boolean)).toEqual([])
    expect(progress.picks.communication).toHaveLength(12)
  })
  it('a number above the band wants an answer until there is one', () => {
    const { progress, capture, now } = table()
    capture.start(1)
    capture.report(4)
    expect(progress.cues.pressure).toEqual({ text: 'said 4, band 4–6', hot: false })
    capture.report(8)
    expect(progress.cues.pressure).toEqual({ text: 'said 8: answer?', hot: true })
    now.value = 500
    capture.pick(of('answer-eased'))
    expect(progress.cues.pressure.hot).toBe(false)
  })
  it('a step is done once it had its turn, also while it goes on anew', () => {
    const { progress, capture, now } = table()
    capture.start(0)
    expect(progress.on).toBe('greet/midline')
    expect(progress.done('greet/midline')).toBe(false)
    expect(progress.cues.order.text).toBe('1 of 5')
    now.value = 4000
    capture.start(1)
    expect(progress.done('greet/midline')).toBe(true)
    expect(progress.spent('greet/midline')).toBe(4)
    expect(progress.done('strip/right')).toBe(false)
    now.value = 9000
    capture.start(0)
    now.value = 10_000
    expect(progress.done('greet/midline')).toBe(true)
    expect(progress.spent('greet/midline')).toBe(5)
  })
  it('counts each thing by what it is', () => {
    const { progress, capture } = table()
    capture.start(0)
    capture.pick(of('look-bent-waist'))
    capture.pick(of('look-clean'))
    capture.pick(of('look-clean'))
    expect(progress.count(of('look-clean'))).toBe(2)
    expect(progress.count(of('look-bent-waist'))).toBe(1)
    expect(progress.count(of('unbalanced'))).toBe(0)
  })
})
