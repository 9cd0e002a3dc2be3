import { mmss, word } from '@/parts/words'
import type { Tap } from './queue'

/** A tap as a line of the log. */
export function eventWords(t: Tap, stepName: (id: string) => string): string {
  const d = t.data
  const where = [d.zone && word(d.zone), d.side && d.side !== 'midline' ? d.side : undefined]
    .filter(Boolean)
    .join(', ')
  const what = (() => {
    switch (t.kind) {
      case 'step-start':
        return `began “${stepName(d.step!)}”${d.side && d.side !== 'midline' ? `, ${d.side}` : ''}`
      case 'step-stop':
        return 'hands off'
      case 'step-skip':
        return `skipped “${stepName(d.step!)}”`
      case 'contact':
        return `touch seen${where ? ` on ${where}` : ''}${d.depth !== undefined && d.depth !== null ? `, depth ${d.depth}` : ''}${d.tool ? `, ${word(d.tool)}` : ''}`
      case 'off-plan':
        return `off-plan stroke on ${where}`
      case 'hold-start':
        return 'hold began'
      case 'hold-stop':
        return 'hold ended'
      case 'rate-tap':
        return 'one cycle'
      case 'sheet-change':
        return `sheet: ${word(d.drape ?? '')}`
      case 'consent':
        return `permission${d.zone ? ` for ${word(d.zone)}` : ''}: ${d.answer}`
      case 'say':
        return `said: ${word(d.saying ?? '')}${d.number ? ` ${d.number}` : ''}${d.style ? ` (${d.style})` : ''}`
      case 'report':
        return `the client said ${d.number}`
      case 'report-answer':
        return `answer to it: ${d.response}`
      case 'look':
        return d.faults?.length ? `look: ${d.faults.map(word).join(', ')}` : 'look: clean'
      case 'break':
        return d.on ? `break${d.text ? `: ${d.text}` : ''}` : 'goes on'
      case 'balance-test':
        return d.clear ? 'balance test: balanced' : 'balance test: off balance'
      case 'reply':
        return d.clear ? 'clear reply' : d.followedUp ? 'vague reply, followed up' : 'vague reply'
      case 'lubricant':
        return `lubricant: ${d.dressing}`
      case 'turn':
        return `turned ${word(d.position ?? '')}`
      case 'hygiene':
        return d.text ?? 'hygiene'
      case 'measure':
        return `${d.measured} ${d.after ? 'after' : 'before'}: ${d.number}`
      case 'attend':
        return d.on ? 'grader’s eyes on this table' : 'grader looked away'
      default:
        return word(t.kind) + (d.text ? `: ${d.text}` : '')
    }
  })()
  return `${mmss(t.atMs / 1000)} ${what}`
}
