import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import MarksColumns from './MarksColumns.vue'
import MarksNames from './MarksNames.vue'
import MarksWords from './MarksWords.vue'
import { base64, type Column, ofUse, titleOf, wordsOf } from './earlier'

const STUDENTS = [
  { id: '1', name: 'Ana Quill', signIn: 'ana' },
  { id: '2', name: 'Kit Low', signIn: 'kit' },
  { id: '3', name: 'Kit Low', signIn: 'kit2' },
]
const SEEN = {
  head: ['Name', 'Draping'],
  samples: [
    ['Ana Quil', 'Kit'],
    ['8', 'A-'],
  ],
  mapping: {
    headRow: 1,
    columns: [
      { use: 'name' },
      { use: 'mark', criterion: 'draping', scale: { worst: 0, best: 10, words: { 'a-': 92 } } },
    ],
    days: 'day-first',
    names: {},
    regions: {},
  },
  wordsWithoutWorth: [],
  names: [
    { given: 'Ana Quil', rows: 2, found: 'NEAR', chosen: false, student: '1', candidates: [STUDENTS[0]] },
    { given: 'Kit', rows: 1, found: 'SEVERAL', chosen: false, candidates: [STUDENTS[1], STUDENTS[2]] },
    { given: 'Lena Brook', rows: 1, found: 'EXACT', chosen: false, student: '9', candidates: [] },
  ],
  students: STUDENTS,
} as unknown as Schema['MarksPreview']

beforeEach(() => setActivePinia(createPinia()))

describe('a file of marks', () => {
  // RFC 4648, section 10.
  it('is sent as text', async () => {
    expect(await base64(new Blob(['foobar']))).toBe('Zm9vYmFy')
    expect(await base64(new Blob([new Uint8Array(100_000)]))).toHaveLength(Math.ceil(100_000 / 3) * 4)
  })
  it('is called as its file, without what that ends in', () => {
    expect(titleOf('Spring 2026.v2.xlsx')).toBe('Spring 2026.v2')
    expect(titleOf('marks')).toBe('marks')
  })
})

describe('a column', () => {
  it('has a scale while it holds marks, and no other', () => {
    expect(ofUse({ use: 'name' }, 'mark')).toEqual({ use: 'mark', scale: { worst: 0, best: 100, words: {} } })
    expect(ofUse(SEEN.mapping.columns[1]!, 'grader')).toEqual({ use: 'grader' })
  })
  it('says each change with all the others as they were', async () => {
    const page = mount(MarksColumns, { props: { seen: SEEN } })
    await page.get('input[aria-label="Draping: worth 100"]').setValue('12,5')
    const said = page.emitted('say')! as [Schema['ColumnUse'][]][]
    expect(said[0]![0][0]).toEqual({ use: 'name' })
    expect(said[0]![0][1]!.scale!.best).toBe(12.5)
  })
})

describe('a word', () => {
  const column = (words: object): Column => ({
    use: 'mark',
    scale: { worst: 0, best: 10, words: words as never },
  })
  it('is asked about once for all columns, those without points first, the others from the best', () => {
    expect(
      wordsOf([column({ f: 40, a: 95 }), { use: 'name' }, column({ b: 85, ill: null })], ['super', 'a']),
    ).toEqual([
      { word: 'super', unsaid: true },
      { word: 'a', points: 95, unsaid: false },
      { word: 'b', points: 85, unsaid: false },
      { word: 'f', points: 40, unsaid: false },
      { word: 'ill', points: null, unsaid: false },
    ])
  })
  it('is worth the same in every column of marks', async () => {
    const page = mount(MarksWords, { props: { seen: { ...SEEN, wordsWithoutWorth: ['super'] } } })
    await page.get('input[aria-label="Points of super"]').setValue('97,5')
    await page.get('input[aria-label="Points of a-"]').setValue('')
    await page.get('input[aria-label="Points of a-"]').setValue('much')
    const said = page.emitted('say')! as [Schema['ColumnUse'][]][]
    expect(said).toHaveLength(2)
    expect(said[0]![0][0]).toEqual({ use: 'name' })
    expect(said[0]![0][1]!.scale!.words).toEqual({ 'a-': 92, super: 97.5 })
    expect(said[1]![0][1]!.scale!.words).toEqual({ 'a-': null })
  })
})

describe('names', () => {
  it('that are not one student’s as written are asked about, two of one name told apart', async () => {
    const page = mount(MarksNames, { props: { seen: SEEN } })
    expect(page.text()).toContain('1 is one student’s as written.')
    const asked = page.findAll('select')
    expect(asked.map((s) => s.attributes('aria-label'))).toEqual(['Who is Ana Quil', 'Who is Kit'])
    expect(asked[0]!.element.value).toBe('1')
    expect(asked[1]!.element.value).toBe('nobody')
    expect(asked[1]!.findAll('option').map((o) => o.text())).toEqual([
      'nobody of this school',
      'Kit Low (kit)',
      'Kit Low (kit2)',
      'Ana Quill',
    ])
    await asked[1]!.setValue('3')
    await asked[0]!.setValue('nobody')
    expect(page.emitted('say')).toEqual([
      ['Kit', '3'],
      ['Ana Quil', ''],
    ])
  })
})
