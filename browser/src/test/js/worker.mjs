// In a browser, in a worker as the app has one: the module and the cases come from where this page does.
import * as core from './palm-core.js'
import { compared } from './said.mjs'

async function* lines() {
  const cases = (await fetch('./cases.jsonl')).body.pipeThrough(new TextDecoderStream())
  let rest = ''
  for await (const part of cases) {
    const all = (rest + part).split('\n')
    rest = all.pop()
    yield* all
  }
}
postMessage(await compared(core, lines()).catch((e) => String(e?.stack ?? e).slice(0, 600)))
