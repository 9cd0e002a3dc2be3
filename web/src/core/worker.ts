import * as core from '@core'
import type { Asked, Told } from './pageCore'

/** The core at work beside the page. It says first by which rules it answers. */
postMessage({ version: core.version() } satisfies Told)

addEventListener('message', ({ data }: MessageEvent<Asked>) => {
  const { id, ask, body } = data
  let told: Told
  try {
    told = { id, said: core[ask](body) }
  } catch (e) {
    told = { id, failed: String(e) }
  }
  postMessage(told)
})
