// node compare.mjs MODULE CASES : asks the compiled core what stands in each line, and holds the answer to what the JVM said.
import { createReadStream } from 'node:fs'
import { createInterface } from 'node:readline'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { difference } from './difference.mjs'

// The module's own words for a fault are lines of it, and those are long.
process.on('uncaughtException', (e) => {
  console.log(String(e?.stack ?? e).slice(0, 600))
  process.exit(1)
})

const [, , module, cases] = process.argv
const core = await import(pathToFileURL(resolve(module)))
const tally = {}
let equal = 0
let different = 0
let numbers = 0
const count = (v) => {
  if (typeof v === 'number') numbers++
  else if (v && typeof v === 'object') Object.values(v).forEach(count)
}
for await (const line of createInterface({ input: createReadStream(cases) })) {
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
  if (d) {
    if (different++ < 20) console.log(ask, d.slice(0, 300))
  } else equal++
}
console.log(JSON.stringify(tally), numbers, 'numbers')
console.log(`${equal} equal, ${different} different`)
