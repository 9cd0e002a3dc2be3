import { mount } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import type { Schema } from '@/api/client'
import type { Picture } from '@/parts/picture'
import StepPicture from '@/parts/StepPicture.vue'
import Stage from './Stage.vue'

vi.stubGlobal(
  'ResizeObserver',
  class {
    observe() {}
    disconnect() {}
  },
)
const seen = {
  facts: { words: ['335 mm · 22 mm a second'] },
  shapes: [],
  hands: [],
  table: [],
  box: { x: 0, y: 0, width: 1, height: 1 },
  tableBox: { x: 0, y: 0, width: 1, height: 1 },
  motion: { kind: 'glide', lines: [[{ x: 0, y: 0 }]], stations: [], seconds: 15, perSecond: 1 },
} as unknown as Picture
const moment = {
  number: 2,
  name: 'Palm glide',
  place: 'right side',
  cues: [{ lane: 'order', name: 'Travel', text: 'knee → sit bone, 6 × 15 s' }],
  more: [],
  caution: 'light over the hollow of the knee',
  clientSeconds: 90,
  open: [],
  zones: [],
  position: 'prone',
  beat: { unit: 'pass', seconds: 15, count: 6 },
} as unknown as Schema['MomentView']
const stage = (more: object) =>
  mount(Stage, {
    props: { moment, of: 11, seconds: 90, token: false, allowed: 110, pictures: '', seen, ...more },
  })

it('sets the sheet, the limb and the feet before the hands, and says when those begin', () => {
  // 20 of 110 seconds are for what goes before; 12.5 are over.
  const before = stage({ spent: 12.5 })
  expect(before.find('.count').text()).toBe('Hands in 0:08')
  expect(before.findComponent(StepPicture).props()).toMatchObject({ setUp: true, still: true, seconds: 0 })
  const at = stage({ spent: 51 })
  expect(at.find('.count').text()).toBe('Pass 3 of 6')
  expect(at.findComponent(StepPicture).props()).toMatchObject({ setUp: false, still: false, seconds: 31 })
})

it('keeps the caution whatever is looked at', () => {
  for (const look of ['both', 'picture', 'words'] as const) {
    const shown = stage({ look })
    expect(shown.text()).toContain('Light over the hollow of the knee')
    expect(shown.findComponent(StepPicture).exists()).toBe(look !== 'words')
    expect(shown.find('dl').element.style.display).toBe(look === 'picture' ? 'none' : '')
    expect(shown.find('dd').text()).toBe('knee → sit bone, 6\u00a0×\u00a015\u00a0s')
  }
})
