import type { Kind } from '../kind'
import { word } from '@/parts/words'
import type { Data, Pick } from '../kind'
import type { Tap } from '../queue'

const say = (
  saying: NonNullable<Tap['data']['saying']>,
  label: string,
  key: string,
  more: Partial<Pick> & { said?: Data } = {},
): Pick => {
  const { said, ...rest } = more
  return {
    id: `say-${saying}${said?.style ?? ''}${said?.number ?? ''}`,
    label,
    finger: 'communication',
    key,
    kind: 'say',
    data: { saying, ...said },
    ...rest,
  }
}

export default {
  kind: 'say',
  words: (d) =>
    `said: ${word(d.saying ?? '')}${d.number ? ` ${d.number}` : ''}${d.style ? ` (${d.style})` : ''}`,
  picks: [
    say('pressure-question', 'Asks, open', 'j', { said: { style: 'open' }, main: true }),
    say('pressure-question', 'Asks, yes/no', 'k', { said: { style: 'closed' } }),
    say('choice', 'Gives choice', 'l'),
    say('warns', 'Warns', 'i'),
    say('explains', 'Explains', 'o'),
    say('ready-cue', 'Ready cue', 'p'),
    say('relax-cue', 'Relax cue', 'm'),
    say('closing', 'Closes', 'h'),
    say('greeting', 'Greets', 'q', { when: 'opening' }),
    say('purpose', 'Purpose', 'w', { when: 'opening' }),
    say('areas-to-avoid', 'Avoid?', 'e', { when: 'opening' }),
    say('invites-feedback', 'Invites', 'r', { when: 'opening' }),
    say('interview', '1 tender?', 'z', { said: { number: 1 }, when: 'interview' }),
    say('interview', '2 number?', 'c', { said: { number: 2 }, when: 'interview' }),
    say('interview', '3 travels?', 'v', { said: { number: 3 }, when: 'interview' }),
    say('interview', '4 easing?', ';', { said: { number: 4 }, when: 'interview' }),
  ],
} satisfies Kind
