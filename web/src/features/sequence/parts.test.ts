import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import AddLine from './AddLine.vue'
import StepDetail from './StepDetail.vue'
import { nothing } from './detail'
import FitPanel from './FitPanel.vue'
import StepForm from './StepForm.vue'
import BlockForm from './BlockForm.vue'
import StepList from './StepList.vue'

const post = vi.hoisted(() => vi.fn())
vi.mock('@/api/client', () => ({
  api: { POST: post, GET: vi.fn() },
  ask: (p: Promise<unknown>) => p,
}))

type Step = Schema['Step']
const step = (id: string, more: Partial<Step> = {}): Step =>
  ({
    id,
    name: id.toUpperCase(),
    technique: 'effleurage',
    zones: ['calf'],
    side: 'each',
    tool: 'palm',
    depth: 2,
    dose: { kind: 'passes', seconds: 10, count: 6 },
    lubricant: 'dry',
    sheet: 'open',
    position: 'prone',
    effort: 'passive',
    stance: 'lunge',
    stands: 'same-side',
    say: [],
    phase: 'warm',
    importance: 'should',
    before: [],
    care: [],
    ...more,
  }) as Step
const sequence = {
  id: 's',
  slotSeconds: 600,
  blocks: [
    { id: 'b', name: 'Leg', order: 'in-order', repeat: 'each-side', steps: [step('a'), step('b')] },
    { id: 'c', name: 'End', order: 'in-order', repeat: 'once', steps: [step('c')] },
  ],
} as unknown as Schema['Sequence']
const fault = (value: string, reason: string) => ({ detail: '', faults: [{ field: 'text', value, reason }] })

beforeEach(() => {
  setActivePinia(createPinia())
  post.mockReset()
})

describe('the list of steps', () => {
  const list = () =>
    mount(StepList, {
      props: { sequence, picked: 'a', chosen: new Set(['a']), flagged: new Set(['b']) },
    })
  it('numbers steps through all blocks and shows what the checks fault', () => {
    const rows = list().findAll('[data-step]')
    expect(rows.map((r) => r.findAll('td')[1]!.text())).toEqual(['1', '2', '3'])
    expect(rows[1]!.classes()).toContain('flagged')
    expect(rows[0]!.find('.plain').attributes('aria-current')).toBe('true')
  })
  it('picks one, more with Ctrl, and up to with Shift', async () => {
    const l = list()
    const b = l.find('[data-step=b] .plain')
    await b.trigger('click')
    await b.trigger('click', { ctrlKey: true })
    await b.trigger('click', { shiftKey: true })
    expect(l.emitted('pick')).toEqual([
      ['b', 'one'],
      ['b', 'more'],
      ['b', 'upto'],
    ])
  })
  it('says how each block goes, and opens the one that is touched', async () => {
    const heads = list().findAll('tr.block')
    expect(heads.map((h) => h.text())).toEqual(['Leg on each side, in order', 'End once, in order'])
    const l = list()
    await l.findAll('tr.block')[1]!.trigger('click')
    expect(l.emitted('block')).toEqual([['c']])
  })
})

describe('a block', () => {
  const form = (i: number) =>
    mount(BlockForm, { props: { block: sequence.blocks[i]!, first: i === 0, opened: true } })
  it('is renamed, turned and given its way with the sheet, one act each', async () => {
    useSession().catalogue = { drapes: [{ id: 'leg-tuck', name: 'leg, tucked' }] } as never
    const b = form(0)
    await b.find('input').setValue('  Back of the leg ')
    await b.find('select').setValue('leg-tuck')
    await b.find('select').setValue('')
    for (const button of b.findAll('button')) await button.trigger('click')
    expect(b.emitted('change')).toEqual([
      [{ name: 'Back of the leg' }],
      [{ drape: 'leg-tuck' }],
      [{ drape: undefined }],
      [{ repeat: 'once' }],
      [{ order: 'any-order' }],
    ])
  })
  it('is joined to the one above, but not the first', async () => {
    expect(form(0).text()).not.toContain('Join')
    const b = form(1)
    await b.findAll('button').at(-1)!.trigger('click')
    expect(b.emitted('join')).toHaveLength(1)
  })
})

describe('a long list of steps', () => {
  const long = (ids: string[], steps: Map<string, Step>) =>
    ({
      id: 's',
      slotSeconds: 600,
      blocks: [
        {
          id: 'b',
          name: 'Leg',
          order: 'in-order',
          repeat: 'once',
          steps: ids.map((id) => steps.get(id) ?? step(id)),
        },
      ],
    }) as unknown as Schema['Sequence']
  const ids = Array.from({ length: 40 }, (_, i) => `s${i}`)
  const kept = new Map(ids.map((id) => [id, step(id)]))
  const quiet = { chosen: new Set<string>(), flagged: new Set<string>() }

  it('numbers anew what stands behind a new step, and draws no other row again', async () => {
    const w = mount(StepList, { props: { sequence: long(ids, kept), ...quiet } })
    const drawn: string[] = []
    const rows = w.findAllComponents({ name: 'StepRow' })
    for (const row of rows) {
      const update = row.vm.$.update
      row.vm.$.update = () => {
        drawn.push(row.props('step').id)
        update()
      }
    }
    await w.setProps({ sequence: long([...ids.slice(0, 10), 'new', ...ids.slice(10)], kept) })
    const numbers = w
      .findAll('tr[data-step]')
      .map((r) => [r.attributes('data-step'), r.findAll('td')[1]!.text()])
    expect(numbers.slice(9, 13)).toEqual([
      ['s9', '10'],
      ['new', '11'],
      ['s10', '12'],
      ['s11', '13'],
    ])
    expect(drawn).toEqual([])
    await w.setProps({ flagged: new Set(['s5']) })
    expect(drawn).toEqual(['s5'])
  })
  it('takes the keys to the row that was touched, wherever in it', async () => {
    const w = mount(StepList, { props: { sequence, ...quiet }, attachTo: document.body })
    await w.find('[data-step=b] .dose').trigger('click')
    await flushPromises()
    expect(document.activeElement).toBe(w.find('[data-step=b] .plain').element)
    w.unmount()
  })
  it('draws the row of a step that changed, and only that', async () => {
    const w = mount(StepList, { props: { sequence: long(ids, kept), ...quiet } })
    const before = w.findAll('tr[data-step]').map((r) => r.element)
    const changed = new Map(kept).set('s5', step('s5', { depth: 4 }))
    await w.setProps({ sequence: long(ids, changed) })
    const after = w.findAll('tr[data-step]')
    expect(after.map((r) => r.element)).toEqual(before)
    expect(after[5]!.findAll('td')[5]!.text()).toBe('4')
    expect(after[6]!.findAll('td')[5]!.text()).toBe('2')
  })
  it('is a table to hear: each row has its cells under the same headings', () => {
    const w = mount(StepList, { props: { sequence: long(ids, kept), ...quiet } })
    const headings = w.findAll('[role=columnheader]').length
    expect(headings).toBe(8)
    for (const row of w.findAll('tr[data-step]')) {
      expect(row.attributes('role')).toBe('row')
      expect(row.findAll('[role=cell]')).toHaveLength(headings)
    }
  })
})

describe('the typing line', () => {
  const line = () => mount(AddLine, { props: { sequence, after: 'b' } })
  const read = (text: string, more: object = {}) => ({
    line: text,
    step: step('step-1'),
    said: [],
    note: [],
    ...more,
  })
  const type = async (l: ReturnType<typeof line>, text: string) => {
    await l.find('input').setValue(text)
    await l.find('form').trigger('submit')
    await flushPromises()
  }
  const press = async (l: ReturnType<typeof line>, text: string) => {
    await l
      .findAll('button')
      .find((b) => b.text().includes(text))!
      .trigger('click')
    await flushPromises()
  }
  it('adds what the server made of the line, shows it, and is empty again', async () => {
    post.mockResolvedValue([
      read('knead calf', { said: [{ field: 'pace', label: 'Pace', words: 'slow' }], note: ['gull'] }),
    ])
    const l = line()
    await type(l, 'knead calf')
    expect(post.mock.calls[0]![1].body).toMatchObject({ lines: ['knead calf'], after: { id: 'b' } })
    expect(l.emitted('steps')![0]).toEqual(['Added STEP-1', [step('step-1')]])
    expect(l.find('input').element.value).toBe('')
    expect(l.findAll('.said').map((c) => c.text())).toContain('Pace: slow')
    expect(l.find('.unsaid').text()).toBe('gull')
  })
  it('asks one question where a line is no step, and says the answer at its end', async () => {
    const asked = { what: 'stroke', question: 'Which stroke?', nearest: ['Petrissage', 'Stretch'] }
    post.mockResolvedValueOnce([read('wibble calf', { step: undefined, note: ['wibble calf'], asked })])
    const l = line()
    await type(l, 'wibble calf')
    expect(l.emitted('steps')).toBeUndefined()
    expect(l.find('input').element.value).toBe('wibble calf')
    expect(l.find('.asked').text()).toContain('“wibble calf” Which stroke?')
    post.mockResolvedValueOnce([read('wibble calf, Petrissage')])
    await press(l, 'Petrissage')
    expect(post.mock.calls.at(-1)![1].body.lines).toEqual(['wibble calf, Petrissage'])
    expect(l.emitted('steps')).toHaveLength(1)
    expect(l.find('.asked').exists()).toBe(false)
  })
  it('takes pasted rows in one go and asks about those that are no step', async () => {
    const asked = { what: 'zone', question: 'Where?', nearest: ['Calf'] }
    post.mockResolvedValueOnce([
      read('glide calf'),
      read('moon', { step: undefined, asked }),
      read('knead calf', { step: step('step-3') }),
    ])
    const l = line()
    await l.find('input').trigger('paste', {
      clipboardData: { getData: () => 'glide\tcalf\r\nmoon\r\nknead\tcalf\r\n' },
    })
    await flushPromises()
    const body = post.mock.calls[0]![1].body
    expect(body.lines).toEqual(['glide calf', 'moon', 'knead calf'])
    expect(new Set(body.ids).size).toBe(3)
    expect(l.emitted('steps')![0]![0]).toBe('Added 2 steps')
    expect(l.findAll('.asked')).toHaveLength(1)
    await press(l, 'Leave it out')
    expect(l.findAll('.asked')).toHaveLength(0)
  })
  it('changes the step before it where a line says something of that', async () => {
    const onto = { ...step('b'), detail: { note: 'never over the veins' } }
    post.mockResolvedValueOnce([read('never over the veins', { step: undefined, onto })])
    const l = line()
    await type(l, 'never over the veins')
    expect(l.emitted('again')).toEqual([[onto]])
    expect(l.emitted('steps')).toBeUndefined()
    expect(l.find('input').element.value).toBe('')
  })
  it('keeps a heading for the line under it', async () => {
    post.mockResolvedValueOnce([read('Left leg:', { step: undefined })])
    const l = line()
    await type(l, 'Left leg:')
    expect(l.find('.read').text()).toContain('Left leg:')
    expect(l.find('input').element.value).toBe('')
    post.mockResolvedValueOnce([read('Left leg:', { step: undefined }), read('knead 1 min')])
    await type(l, 'knead 1 min')
    expect(post.mock.calls.at(-1)![1].body.lines).toEqual(['Left leg:', 'knead 1 min'])
    expect(l.emitted('steps')![0]![0]).toBe('Added STEP-1')
    expect(l.text()).not.toContain('Above the next line')
  })
  it('asks about the lines of a written routine that are no step yet', async () => {
    history.replaceState({ lines: ['gloves on'] }, '')
    const asked = { what: 'stroke', question: 'Which stroke?', nearest: ['Petrissage'] }
    post.mockResolvedValueOnce([read('gloves on', { step: undefined, asked })])
    const l = line()
    await flushPromises()
    expect(post.mock.calls.at(-1)![1].body.lines).toEqual(['gloves on'])
    expect(l.find('.asked').text()).toContain('“gloves on” Which stroke?')
    expect(history.state.lines).toBeUndefined()
  })
  it('says what failed and keeps the line', async () => {
    post.mockRejectedValue(fault('x', 'is too long'))
    const l = line()
    await type(l, 'knead calf')
    expect(l.find('[role=alert]').text()).toBe('text “x” is too long')
    expect(l.find('input').element.value).toBe('knead calf')
  })
})

describe('what else is said of a step', () => {
  const form = (detail?: Schema['Detail']) => mount(StepDetail, { props: { detail, zones: ['calf'] } })
  const last = (f: ReturnType<typeof form>) => f.emitted('change')!.at(-1)![1] as Schema['Detail'] | undefined
  it('is folded while nothing is said, and open when something is', () => {
    expect(form().find('details').attributes('open')).toBeUndefined()
    expect(
      form({ ...nothing(), pace: 'slow' })
        .find('details')
        .attributes('open'),
    ).toBeDefined()
  })
  it('adds, changes and takes out, and is gone with the last thing', async () => {
    const f = form({ ...nothing(), limb: ['knee-bent'] })
    await f.find('.row .chip').trigger('click')
    expect(last(f)).toBeUndefined()
    await f.find('[aria-label="Add a prop…"]').setValue('wedge')
    expect(last(f)).toEqual({ ...nothing(), limb: ['knee-bent'], props: ['wedge'] })
    await f.find('textarea').setValue('as if it floated')
    expect(last(f)?.note).toBe('as if it floated')
  })
  it('keeps a pattern and its branches in their order', async () => {
    const f = form({
      ...nothing(),
      part: [{ does: 'breathes-in' }, { does: 'breathes-out' }],
      instead: [{ when: 'hurts', then: 'lighter', zones: [] }],
    })
    await f.find('[aria-label="Times of part 2"]').setValue(3)
    expect(last(f)?.part).toEqual([{ does: 'breathes-in' }, { does: 'breathes-out', times: 3 }])
    await f.find('[aria-label="What is done then, 1"]').setValue('stop')
    expect(last(f)?.instead).toEqual([{ when: 'hurts', then: 'stop', zones: [] }])
    await f.find('[aria-label="Take part 1 out"]').trigger('click')
    expect(last(f)?.part).toEqual([{ does: 'breathes-out' }])
  })
})

describe('the fit', () => {
  const panel = () => mount(FitPanel, { props: { sequence } })
  const answer = (more: object) => ({
    found: true,
    sequence: {
      ...sequence,
      blocks: [{ ...sequence.blocks[0]!, steps: [step('a', { dose: { kind: 'seconds', seconds: 30 } })] }],
    },
    value: 3,
    mostValue: 6,
    beforeSeconds: 400,
    afterSeconds: 290,
    changes: [
      { step: 'a', what: 'shortened', before: 60, after: 30 },
      { step: 'b', what: 'dropped', before: 60, after: 0 },
      { step: 'c', what: 'kept', before: 60, after: 60 },
    ],
    missingSeconds: 0,
    heaviest: [],
    proven: true,
    ...more,
  })
  it('shows before and after, and changes nothing until it is taken', async () => {
    post.mockResolvedValue(answer({}))
    const p = panel()
    await p.find('input').setValue(5)
    await p.find('form').trigger('submit')
    await flushPromises()
    expect(post.mock.calls[0]![1].body.slotSeconds).toBe(300)
    expect(p.text()).toContain('6:40 → 4:50')
    expect(p.text()).toContain('keeps 50 %')
    expect(p.findAll('tbody tr').map((r) => r.findAll('td')[2]!.text())).toEqual(['0:30', 'left out'])
    expect(p.emitted('take')).toBeUndefined()
    await p.find('.push.main').trigger('click')
    expect(p.emitted('take')![0]![0]).toBe('Fitted to 5 min')
    expect((p.emitted('take')![0]![1] as Schema['Sequence']).slotSeconds).toBe(300)
  })
  it('says how much is missing and what weighs most', async () => {
    post.mockResolvedValue(
      answer({ found: false, missingSeconds: 95, heaviest: [{ step: 'b', seconds: 120 }] }),
    )
    const p = panel()
    await p.find('form').trigger('submit')
    await flushPromises()
    expect(p.text()).toContain('1:35 more than there is')
    expect(p.text()).toContain('2 B, at least 2:00')
  })
})

describe('the form of a step', () => {
  const form = (more: Partial<Step> = {}) =>
    mount(StepForm, { props: { step: step('a', more), number: 4, steps: [step('a'), step('b')] } })
  const last = (f: ReturnType<typeof form>) => f.emitted('change')!.at(-1)!
  it('names each change with its step', async () => {
    const f = form()
    await f.findAll('[aria-label=Depth] button')[3]!.trigger('click')
    expect(last(f)).toEqual(['Depth of step 4', { depth: 3 }])
  })
  it('keeps the time of a dose when it is measured otherwise', async () => {
    const f = form()
    const kind = f.findAll('select').find((s) => s.element.value === 'passes')!
    await kind.setValue('seconds')
    expect(last(f)[1]).toEqual({ dose: { kind: 'seconds', seconds: 60 } })
  })
  it('leaves a step its last zone', async () => {
    const f = form()
    await f.find('.zones button').trigger('click')
    expect(f.emitted('change')).toBeUndefined()
  })
  it('adds and takes out words, care and links', async () => {
    const f = form({ before: ['b'] })
    const press = (text: string) =>
      f
        .findAll('button')
        .find((b) => b.text().includes(text))!
        .trigger('click')
    await press('Add words')
    expect(last(f)[1]).toEqual({ say: [{ kind: 'pressure-question', atSeconds: 0 }] })
    await press('sheet secured')
    expect(last(f)[1]).toEqual({ care: ['sheet-secured'] })
    await press('before B')
    expect(last(f)[1]).toEqual({ before: [] })
  })
})
