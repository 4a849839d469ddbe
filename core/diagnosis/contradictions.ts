import { figureOf, type Evidence, type Item } from './evidence'
import type { FindingId } from './findings'
import type { Knowledge } from './knowledge'
import type { ReadingName } from './readings'

type State = 'present' | 'absent'

/** Two findings that cannot both be so, and why. */
const PAIRS: readonly (readonly [FindingId, State, FindingId, State, string])[] = [
  ['rodTight', 'present', 'rodSlack', 'present', 'A rod has no play, or far too much: not both.'],
  [
    'forkNoPlay',
    'present',
    'forkMuchPlay',
    'present',
    'A fork has no play, or far too much: not both.',
  ],
  [
    'pushBackStiff',
    'absent',
    'wayHomeShut',
    'present',
    'A slave that goes back by hand needs no open bleeder.',
  ],
  [
    'pushBackStiff',
    'absent',
    'seizedOpen',
    'present',
    'A slave that goes back shut goes back open too.',
  ],
  ['wayHomeShut', 'present', 'seizedOpen', 'present', 'With the bleeder open it goes, or it does not.'],
  ['bellHoleWet', 'absent', 'dripIsOil', 'present', 'Oil that comes out of the hole makes it wet.'],
  ['bootWet', 'absent', 'bootWetAgain', 'present', 'Wet again after wiping was wet before.'],
  [
    'springy',
    'present',
    'firmLow',
    'present',
    'It gives at the end of its travel, or it is firm there.',
  ],
  [
    'levelLow',
    'absent',
    'brakeLevelLow',
    'present',
    'One reservoir: its level is on the mark or at the brake minimum.',
  ],
  [
    'softPlugged',
    'present',
    'softHoseShut',
    'absent',
    'Soft with only the master left, it cannot be firm with the line as well.',
  ],
]

/** A finding that a figure rules out, from which value on, and why. */
const AGAINST: readonly (readonly [FindingId, State, ReadingName, 'over' | 'under', number, string])[] =
  [
    [
      'rodTight',
      'present',
      'rodClearance',
      'over',
      0.5,
      'No play was felt, and more than half a millimetre was measured.',
    ],
    ['rodTight', 'absent', 'rodClearance', 'under', 0, 'Play was felt, and the rod measures too long.'],
    [
      'rodSlack',
      'present',
      'rodClearance',
      'under',
      0.8,
      'The rod moves far, and less than a millimetre was measured.',
    ],
    [
      'pumpsUp',
      'absent',
      'pumpUpGain',
      'over',
      8,
      'Quick strokes change nothing, and they won more than 8 mm.',
    ],
    [
      'pumpsUp',
      'present',
      'pumpUpGain',
      'under',
      1,
      'Quick strokes bring it up, and they won nothing by the tape.',
    ],
    [
      'heldSinks',
      'present',
      'sink',
      'under',
      0.5,
      'It drags after a minute’s hold, and the pad did not sink.',
    ],
  ]

/** Standard deviations within which a reading still agrees, and beyond which two together do not. */
const AGREES = 2.2
const CLASHES = 3.5

/** Two things that were noted and cannot both be true. */
export interface Contradiction {
  between: [Item['id'], Item['id']]
  why: string
}

/** Names what cannot both be true: by the tables, and two figures that no set of up to three faults makes both likely. */
export function contradictions(
  knowledge: Knowledge,
  evidence: Evidence,
  items: readonly Item[],
): Contradiction[] {
  const { findings, readings } = evidence
  const list: Contradiction[] = []
  for (const [a, stateA, b, stateB, why] of PAIRS)
    if (findings[a] === stateA && findings[b] === stateB) list.push({ between: [a, b], why })
  for (const [finding, state, reading, way, bound, why] of AGAINST) {
    const value = readings[reading]?.value
    if (findings[finding] !== state || value === undefined) continue
    if (way === 'over' ? value > bound : value < bound)
      list.push({ between: [finding, reading as Item['id']], why })
  }
  const free = readings.freeTravel?.value
  const gain = readings.pumpUpGain?.value
  if (free !== undefined && gain !== undefined && gain > free)
    list.push({
      between: ['pumpUpGain', 'freeTravel'],
      why: 'Quick strokes cannot win more than the free travel there was.',
    })
  return [...list, ...clashingFigures(knowledge, items)]
}

function clashingFigures(knowledge: Knowledge, items: readonly Item[]): Contradiction[] {
  const figures = items
    .filter((item): item is Extract<Item, { kind: 'reading' }> => item.kind === 'reading')
    .map((item) => ({ item, figure: figureOf(knowledge, item) }))
  const list: Contradiction[] = []
  const off = ({ figure: { value, expected } }: (typeof figures)[number], k: number) =>
    Math.abs(value - expected.mean[k]!) / expected.sigma[k]!
  figures.forEach((one, i) => {
    for (const other of figures.slice(i + 1)) {
      const count = one.figure.expected.mean.length
      let bestOne = Infinity
      let bestOther = Infinity
      let bestBoth = Infinity
      for (let k = 0; k < count; k++) {
        const a = off(one, k)
        const b = off(other, k)
        if (a < bestOne) bestOne = a
        if (b < bestOther) bestOther = b
        const worse = Math.max(a, b)
        if (worse < bestBoth) bestBoth = worse
      }
      if (bestOne <= AGREES && bestOther <= AGREES && bestBoth > CLASHES)
        list.push({
          between: [one.item.id, other.item.id],
          why: 'Each alone can be, but nothing that may be wrong here makes one read both. Measure one again.',
        })
    }
  })
  return list
}
