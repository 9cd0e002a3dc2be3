import { api, ask, type Schema } from '@/api/client'
import { askDraft } from '@/core/askDraft'
import { useVersioned } from '@/parts/useVersioned'

type Finding = Schema['FindingView']

/** A sequence while it is edited, judged by a profile and for a body. */
export function useDraft(
  id: string,
  profile: () => string | undefined,
  /** Whose body it is for, so that their notes count. */
  client: () => string | undefined = () => undefined,
) {
  const judged = (sequence: Schema['Sequence']) => ({ sequence, profile: profile(), client: client() })
  const at = () => ({ path: { id }, query: { profile: profile() } })
  const {
    text: sequence,
    checks: plan,
    ...draft
  } = useVersioned<Schema['SequenceView'], Schema['Sequence'], Schema['PlanView']>({
    shelf: `palm-draft/${id}`,
    read: () => ask(api.GET('/api/sequences/{id}', { params: at() })),
    text: (view) => view.sequence,
    checks: (view) => view.plan,
    check: (text) => askDraft('check', judged(text)),
    put: (from, text, what) =>
      ask(api.PUT('/api/sequences/{id}', { params: at(), body: { from, sequence: text, what } })),
    version: async (version) =>
      (await ask(api.GET('/api/sequences/{id}/versions/{version}', { params: { path: { id, version } } })))
        .sequence,
    earlier: (before) =>
      ask(
        api.GET('/api/sequences/{id}/versions', {
          params: { path: { id }, query: { before: Number(before) } },
        }),
      ),
    difference: (before, after) => askDraft('difference', { before, after }),
  })
  /** Mends what was found. Where the text went on since it was shown, its moment may be another: it is mended where it is found now. */
  const mend = (finding: Finding, label: string) =>
    draft.rewrite(
      label,
      (from) => askDraft('mend', { ...judged(from), key: (nowOf(finding) ?? finding).key }),
      (answer) => answer.sequence,
    )
  function nowOf(finding: Finding) {
    const found = plan.value?.findings.map((f) => f.finding) ?? []
    const place = ({ rule, where }: Finding) => [rule, where.step, where.zone, where.side].join()
    return found.find((f) => f.key === finding.key) ?? found.find((f) => place(f) === place(finding))
  }
  /** Stores the text as a sequence under a name of its own, for one that lost a race. Its id, or undefined where that was refused. */
  async function saveCopy(): Promise<string | undefined> {
    const mine = sequence.value
    if (!mine) return undefined
    const copy = `${mine.id.slice(0, 50)}-copy-${Date.now().toString(36).slice(-4)}`
    const name = `${mine.name} (copy)`.slice(0, 200)
    const body = { from: 0, sequence: { ...mine, id: copy, name }, what: 'A copy' }
    const params = { path: { id: copy } }
    const done = await draft.during(() => ask(api.PUT('/api/sequences/{id}', { params, body })))
    if (!done) return undefined
    draft.takeTheirs()
    return copy
  }
  return { ...draft, sequence, plan, mend, saveCopy }
}
