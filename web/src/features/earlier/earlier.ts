import type { Schema } from '@/api/client'

export type Mapping = Schema['MarksMapping']
export type Column = Schema['ColumnUse']
export type Use = Column['use']

/** What a column may hold, in the order in which it is offered. */
export const USES: readonly { id: Use; name: string }[] = [
  { id: 'nothing', name: 'nothing to take' },
  { id: 'name', name: 'name' },
  { id: 'first-name', name: 'first name' },
  { id: 'last-name', name: 'last name' },
  { id: 'sign-in', name: 'sign-in' },
  { id: 'mark', name: 'marks' },
  { id: 'day', name: 'day' },
  { id: 'region', name: 'region' },
  { id: 'criterion', name: 'criterion' },
  { id: 'what', name: 'what it was of' },
  { id: 'grader', name: 'grader' },
]

/** The column as it is, or of another use; only marks have a scale. */
export function ofUse(column: Column, use: Use): Column {
  return use === 'mark' ? { use, scale: column.scale ?? { worst: 0, best: 100, words: {} } } : { use }
}

/** A word that stands for marks, and its points; unsaid where nobody gave it any and it is left out. */
export type Worth = { word: string; points?: number | null; unsaid: boolean }

/** The words of all columns, each once: first those without points, then from the best to the worst. */
export function wordsOf(columns: readonly Column[], unsaid: readonly string[]): Worth[] {
  const said = new Map(columns.flatMap((c) => Object.entries(c.scale?.words ?? {})))
  return [
    ...unsaid.filter((w) => !said.has(w)).map((word) => ({ word, unsaid: true })),
    ...[...said]
      .map(([word, points]) => ({ word, points, unsaid: false }))
      .sort((a, b) => (b.points ?? -1) - (a.points ?? -1)),
  ]
}

/** The columns where a word is worth so much, or is no mark. */
export const ofWord = (columns: readonly Column[], word: string, points: number | null): Column[] =>
  columns.map((c) =>
    c.scale ? { ...c, scale: { ...c.scale, words: { ...c.scale.words, [word]: points } as never } } : c,
  )

/** Bytes as text for a JSON body (Base64, RFC 4648). */
export async function base64(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  let text = ''
  for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000))
  return btoa(text)
}

/** What a file is called at first: its name without what it ends in. */
export const titleOf = (name: string) => name.replace(/\.[a-z]{1,5}$/i, '').slice(0, 100)
