import type { ComplaintId, FindingId } from '../diagnosis'
import type { CameOut } from '../entries'
import { counts } from './figures'
import { fillers } from './lexicon'
import { isWord, type Item } from './standard'
import type { LineContext, Statement } from './statement'
import { waysOf } from './ways'

/** What is said so and may mean several things: nothing is filed, and the readings are offered. */
const f = (finding: FindingId, state: 'present' | 'absent') => ({ finding, state })
const ASKED: readonly (readonly [
  string,
  readonly (ReturnType<typeof f> | { complaint: ComplaintId } | { cameOut: CameOut })[],
])[] = [
  ['slave wet | slave ok', [f('bootWet', 'present'), f('slaveUnionDamp', 'present')]],
  ['slave dry', [f('bootWet', 'absent'), f('slaveUnionDamp', 'absent')]],
  ['master wet', [f('rodEndDamp', 'present'), f('outletDamp', 'present')]],
  ['master dry | master ok', [f('rodEndDamp', 'absent'), f('outletDamp', 'absent')]],
  [
    'unions wet | union wet',
    [f('outletDamp', 'present'), f('slaveUnionDamp', 'present'), f('unionsWet', 'present')],
  ],
  [
    'unions dry | union dry | unions ok | union ok',
    [f('outletDamp', 'absent'), f('slaveUnionDamp', 'absent'), f('unionsWet', 'absent')],
  ],
  ['hose ok', [f('hoseDamp', 'absent'), f('hoseSwells', 'absent'), f('hoseCracked', 'absent')]],
  ['hose bad', [f('hoseDamp', 'present'), f('hoseSwells', 'present'), f('hoseCracked', 'present')]],
  ['pipe ok | line ok', [f('pipeDamp', 'absent'), f('pipeRusty', 'absent')]],
  ['res empty', [f('levelLow', 'present'), f('circuitDry', 'present')]],
  ['fluid ok', [f('fluidDark', 'absent'), f('fluidMoist', 'absent'), f('levelLow', 'absent')]],
  ['not bubbles', [f('bubblesRise', 'absent'), { cameOut: 'clear' }]],
  ['bubbles', [f('bubblesRise', 'present'), { cameOut: 'large' }, { cameOut: 'few' }]],
  ['squeak', [{ complaint: 'squeaks' }, f('pedalSqueaks', 'present')]],
  ['growl', [{ complaint: 'growl' }, f('growlsPressed', 'present')]],
  ['slip', [{ complaint: 'slipsNewDisc' }, f('slips', 'present')]],
  ['rattle', [{ complaint: 'rattles' }, f('rattlesIdle', 'present')]],
  ['wet | leak', [f('bootWet', 'present'), f('rodEndDamp', 'present'), f('carpetWet', 'present')]],
  ['dry', [f('bootWet', 'absent'), f('rodEndDamp', 'absent'), f('circuitDry', 'present')]],
  ['worn', [f('clevisWorn', 'present'), f('rodTipWorn', 'present')]],
  [
    'loose',
    [f('pedalBushesLoose', 'present'), f('masterLoose', 'present'), f('slaveLoose', 'present')],
  ],
  [
    'cracked',
    [f('forkCracked', 'present'), f('bulkheadCracked', 'present'), f('hoseCracked', 'present')],
  ],
]
const asked = ASKED.flatMap(([ways, between]) =>
  waysOf(ways).map((way) => ({ way: [...way].sort().join(' '), between })),
)

export function askFor(items: readonly Item[], { phase }: LineContext): Statement[][] | null {
  const words = [
    ...new Set(items.flatMap((item) => (isWord(item) && !fillers.has(item.word) ? [item.word] : []))),
  ]
  const strokes = counts(items)
  const figures = items.filter((item) => 'figure' in item)
  const key = words
    .filter((word) => word !== 'pumps' && word !== 'x')
    .sort()
    .join(' ')
  const found = asked.find(({ way }) => way === key)
  if (!found || figures.length > strokes.length || items.some((item) => 'gap' in item)) return null
  const cycles = strokes.length > 0
  return found.between
    .filter((one) => !cycles || 'cameOut' in one)
    .map((one): Statement[] => {
      if ('finding' in one) return [{ kind: 'finding', payload: { ...one, phase } }]
      if ('complaint' in one) return [{ kind: 'complaint', payload: one }]
      return [{ kind: 'bleedCycle', payload: { ...one, ...(cycles && { strokes: strokes[0]! }) } }]
    })
}

/** A pint is one thing in Leeds and another in Ohio. */
export const PINT = { american: 473_176.473, british: 568_261.25 } as const
