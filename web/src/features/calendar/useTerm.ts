import { api, ask, type Schema } from '@/api/client'
import { useVersioned } from '@/parts/useVersioned'
import type { Curriculum } from './term'

/** The plan of a term while it is edited. */
export function useTerm(term: string) {
  const params = { path: { term } }
  const {
    text: curriculum,
    checks,
    ...draft
  } = useVersioned<Schema['CurriculumView'], Curriculum, Schema['TermChecksView']>({
    shelf: `palm-term/${term}`,
    read: () => ask(api.GET('/api/terms/{term}/curriculum', { params })),
    text: (view) => view.curriculum,
    checks: (view) => view.checks,
    check: (text) =>
      ask(api.POST('/api/terms/{term}/curriculum/check', { params, body: { curriculum: text } })),
    put: (from, text, what) =>
      ask(api.PUT('/api/terms/{term}/curriculum', { params, body: { from, curriculum: text, what } })),
    version: async (version, now) =>
      version === 0
        ? { ...now.curriculum, lessons: [] }
        : ask(
            api.GET('/api/terms/{term}/curriculum/versions/{version}', {
              params: { path: { term, version } },
            }),
          ),
    earlier: (before) =>
      ask(
        api.GET('/api/terms/{term}/curriculum/versions', {
          params: { path: { term }, query: { before: Number(before) } },
        }),
      ),
    difference: (before, after) =>
      ask(api.POST('/api/terms/{term}/curriculum/difference', { params, body: { before, after } })),
  })
  const mend = (key: string, label: string) =>
    draft.rewrite(
      label,
      (from) =>
        ask(api.POST('/api/terms/{term}/curriculum/mend', { params, body: { curriculum: from, key } })),
      (answer) => answer.curriculum,
    )
  /** Lays the whole term out from regions in order; an act like any other. */
  const layOut = (regions: string[]) =>
    draft.rewrite(
      'The term laid out anew',
      (from) =>
        ask(
          api.POST('/api/terms/{term}/curriculum/layout', {
            params,
            body: { curriculum: from, regions: regions as never[] },
          }),
        ),
      (answer) => answer.curriculum,
    )
  return { ...draft, curriculum, checks, mend, layOut }
}
