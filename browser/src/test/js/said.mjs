import { difference } from './difference.mjs'

/**
 * Asks the compiled core what stands in each line, and holds the answer to what the JVM said.
 *
 * @param core the module
 * @param lines of JSON: `ask`, `body`, `said`
 * @returns what was different, how many of each kind were asked, and the sum
 */
export async function compared(core, lines) {
  const report = []
  const tally = {}
  let equal = 0
  let different = 0
  let numbers = 0
  const count = (v) => {
    if (typeof v === 'number') numbers++
    else if (v && typeof v === 'object') Object.values(v).forEach(count)
  }
  for await (const line of lines) {
    const { ask, body, said } = JSON.parse(line)
    if (ask === 'know') {
      core.know(body)
      continue
    }
    let answer
    try {
      answer = core[ask](body)
    } catch (e) {
      answer = { threw: String(e?.message ?? e).slice(0, 300) }
    }
    const d = difference(said, answer)
    count(said)
    tally[ask] ??= 0
    tally[ask]++
    if (!d) equal++
    else if (different++ < 20) report.push(`${ask} ${d.slice(0, 300)}`)
  }
  report.push(`${JSON.stringify(tally)} ${numbers} numbers`, `${equal} equal, ${different} different`)
  return report.join('\n')
}
