// node compare.mjs MODULE CASES
import { createReadStream } from 'node:fs'
import { createInterface } from 'node:readline'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { compared } from './said.mjs'

// The module's own words for a fault are lines of it, and those are long.
process.on('uncaughtException', (e) => {
  console.log(String(e?.stack ?? e).slice(0, 600))
  process.exit(1)
})

const [, , module, cases] = process.argv
const core = await import(pathToFileURL(resolve(module)))
console.log(await compared(core, createInterface({ input: createReadStream(cases) })))
