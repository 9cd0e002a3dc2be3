import { effectScope, nextTick, ref } from 'vue'
import { expect, it, vi } from 'vitest'
import { readOnWhile, useEarlier, usePages, type Page } from './usePages'

const settled = () => new Promise((r) => setTimeout(r))
const PAGES: Record<string, Page<number>> = {
  '': { lines: [9, 8], next: '8' },
  '8': { lines: [7, 6], next: '6' },
  '6': { lines: [5], next: null },
}

it('begins with the first page and goes on until the end', async () => {
  const load = vi.fn((before?: string) => Promise.resolve(PAGES[before ?? '']!))
  const list = effectScope().run(() => usePages(load))!
  expect(list.lines.value).toBeUndefined()
  await settled()
  expect([list.lines.value, list.more.value]).toEqual([[9, 8], true])
  await list.earlier()
  await list.earlier()
  expect([list.lines.value, list.more.value]).toEqual([[9, 8, 7, 6, 5], false])
  await list.earlier()
  expect(load.mock.calls).toEqual([[], ['8'], ['6']])
})

it('keeps what is there where a page fails, and says why', async () => {
  let broken = true
  const list = effectScope().run(() =>
    usePages((before?: string) =>
      before && broken ? Promise.reject({ code: 'no-answer' }) : Promise.resolve(PAGES[before ?? '']!),
    ),
  )!
  await settled()
  await list.earlier()
  expect([list.lines.value, list.problem.value?.code]).toEqual([[9, 8], 'no-answer'])
  broken = false
  await list.earlier()
  expect([list.lines.value, list.problem.value]).toEqual([[9, 8, 7, 6], undefined])
})

it('begins anew with another first page, and drops a page of the one before', async () => {
  const first = ref<Page<number>>(PAGES['']!)
  let give: (p: Page<number>) => void = () => {}
  const list = effectScope().run(() =>
    useEarlier(
      () => first.value,
      () => new Promise<Page<number>>((r) => (give = r)),
    ),
  )!
  const asked = list.earlier()
  first.value = { lines: [10, 9], next: null }
  await nextTick()
  give(PAGES['8']!)
  await asked
  expect([list.lines.value, list.more.value]).toEqual([[10, 9], false])
})

it('reads on to the end while somebody looks for something', async () => {
  const load = vi.fn((before?: string) => Promise.resolve(PAGES[before ?? '']!))
  const sought = ref('')
  const list = effectScope().run(() => {
    const pages = usePages(load)
    readOnWhile(pages, () => sought.value !== '')
    return pages
  })!
  await settled()
  expect(list.lines.value).toEqual([9, 8])
  sought.value = 'five'
  await settled()
  await settled()
  expect([list.lines.value, list.more.value]).toEqual([[9, 8, 7, 6, 5], false])
})
