import { airFromEngagement, airFromFreeTravel, isImplausible, NINETY, solveCircuit } from '../circuit'
import { spreadOf, uncertaintyOf, type Installation } from '../installation'
import { sound } from './effects'
import type { Evidence, Item } from './evidence'
import type { FindingId } from './findings'
import type { Knowledge } from './knowledge'
import { readingKind, type ReadingName } from './readings'

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

/** A finding that a figure rules out, from which value on (a sink's by the minute), and why. */
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

/** Two things that were noted and cannot both be true. */
export interface Contradiction {
  between: [Item['id'], Item['id']]
  why: string
}

/** Names what cannot both be true: by the tables, and figures of which one leaves no room for the other on this circuit. */
export function contradictions(
  { installation }: Pick<Knowledge, 'installation'>,
  { findings, readings }: Evidence,
): Contradiction[] {
  const list: Contradiction[] = []
  for (const [a, stateA, b, stateB, why] of PAIRS)
    if (findings[a] === stateA && findings[b] === stateB) list.push({ between: [a, b], why })
  for (const [finding, state, reading, way, bound, why] of AGAINST) {
    const read = readings[reading]
    if (findings[finding] !== state || read === undefined) continue
    const value = reading === 'sink' ? (read.value * 60) / (read.duration ?? 60) : read.value
    if (way === 'over' ? value > bound : value < bound)
      list.push({ between: [finding, reading as Item['id']], why })
  }
  const free = readings.freeTravel?.value
  if (free === undefined) return list
  const gain = readings.pumpUpGain?.value
  if (gain !== undefined && gain > free)
    list.push({
      between: ['pumpUpGain', 'freeTravel'],
      why: 'Quick strokes cannot win more than the free travel there was.',
    })
  return [...list, ...lostTravel(installation, free, readings)]
}

/**
 * Whatever costs free travel, air or a rod, costs take-up and stroke as well; the reverse is not so. Compared as air, at
 * the ends of the 90 % intervals that favour agreement.
 */
function lostTravel(
  start: Installation,
  free: number,
  { takeUpHeight, rodStroke }: Evidence['readings'],
): Contradiction[] {
  const circuit = sound(start.circuit)
  const installation = { ...start, circuit }
  const uncertain = uncertaintyOf(installation)
  const lost = airFromFreeTravel(circuit, free, { uncertain })
  if (isImplausible(lost) || lost.low <= 0) return []
  const list: Contradiction[] = []
  if (takeUpHeight) {
    const left = airFromEngagement(circuit, circuit.pedal.travel - takeUpHeight.value, { uncertain })
    if (isImplausible(left) || lost.low > Math.max(0, left.high))
      list.push({
        between: ['freeTravel', 'takeUpHeight'],
        why: 'What costs so much free travel would bring the take-up lower than that. Measure one again.',
      })
  }
  if (rodStroke && circuit.slave.type === 'external') {
    const stroke = spreadOf(installation, (c) => solveCircuit({ ...c, air: lost.low }).at.rodStroke)!
    if (rodStroke.value > stroke.high + NINETY * readingKind('rodStroke').error[0])
      list.push({
        between: ['freeTravel', 'rodStroke'],
        why: 'What costs so much free travel would leave the rod less stroke than that. Measure one again.',
      })
  }
  return list
}
