import type { FindingId, ReadingName } from '../diagnosis'
import type { PedalSwitch } from '../installation'
import type { RuleName } from '../journal'
import type { Touched } from '../work'

/** A limit of acceptance, with the reason that a lead may dispute. */
export interface LimitRow {
  rule: RuleName
  limit: number
  unit: string
  reason: string
}
export const LIMIT_ROWS: readonly LimitRow[] = [
  {
    rule: 'reserve',
    limit: 15,
    unit: 'mm',
    reason: 'Mats, a warm disc and a tired driver take some of it; under this the disc drags first.',
  },
  {
    rule: 'sink',
    limit: 2,
    unit: 'mm/min',
    reason: 'A tape on a held pad is good to about this, and a sound cup does not sink at all.',
  },
  {
    rule: 'rodStroke',
    limit: 2,
    unit: 'mm',
    reason: 'A rule beside a moving rod, twice its error, and the pad not quite down.',
  },
  {
    rule: 'rodClearance',
    limit: 1,
    unit: 'mm',
    reason: 'None may hold the port shut; more than this gives pedal away.',
  },
  {
    rule: 'returnTime',
    limit: 1,
    unit: 's',
    reason: 'Warm fluid runs home in less; longer means a line, a port or a spring.',
  },
  {
    rule: 'gearQuiet',
    limit: 3,
    unit: 's',
    reason: 'A light disc has stopped by then.',
  },
  {
    rule: 'overnight',
    limit: 3,
    unit: 'mm',
    reason: 'Cold rubber and a tape account for this; a joint that draws air for more.',
  },
  {
    rule: 'levelFall',
    limit: 1,
    unit: 'mm',
    reason: 'Nothing leaves a tight circuit; a mark is read to this.',
  },
  {
    rule: 'switches',
    limit: 10,
    unit: 'mm',
    reason:
      'Pad before the floor by which the starting switch has closed: mats and carpets take the rest.',
  },
  {
    rule: 'clearInRow',
    limit: 3,
    unit: '',
    reason: 'Bubbles end before air does, so once is not enough.',
  },
]
/** s until a heavy disc has stopped: light trucks and tractors. */
export const HEAVY_DISC = { limit: 5, archetypes: ['light-truck', 'tractor'] } as const
/** °C between which a pedal’s return is timed: colder fluid is slow by itself, warmer hides a fault. */
export const RETURN_AT = { low: 15, high: 30 } as const

/** s under which a hold tells nothing of a sink: less than a tape can show would be a fault by the minute. */
export const SHORTEST_HOLD = 30

export type Limits = Partial<Record<RuleName, number>>
export const limitOf = (rule: RuleName, given: Limits = {}): number =>
  given[rule] ?? LIMIT_ROWS.find((row) => row.rule === rule)!.limit

/** Limits that other stages count with too. */
export const LIMITS = {
  sinkPerMinute: limitOf('sink'),
  clearInRow: limitOf('clearInRow'),
  /** mm; felt to two tenths, less may be none. */
  rodClearance: { low: 0.2, high: limitOf('rodClearance') },
  switchBeforeFloor: limitOf('switches'),
} as const

/** A reading that proves work: what work it proves, and why. */
export interface ProofReading {
  reading: ReadingName
  /** Asked for where the work touched one of these. */
  touched: readonly Touched[]
  /** Asked for only where it was measured as found: then before and after can be compared. */
  again?: true
  reason: string
}
export const PROOF_READINGS: readonly ProofReading[] = [
  {
    reading: 'freeTravel',
    touched: ['circuit', 'rod', 'pedal', 'linkage', 'clutch'],
    reason: 'It tells the air, and every gap between pad and cover.',
  },
  {
    reading: 'takeUpHeight',
    touched: ['circuit', 'rod', 'pedal', 'linkage', 'clutch'],
    reason: 'Whether the clutch is free before the floor.',
  },
  { reading: 'sink', touched: ['circuit', 'joint'], reason: 'Whether the circuit holds.' },
  {
    reading: 'rodClearance',
    touched: ['rod'],
    reason: 'A rod that was moved may hold the port shut.',
  },
  {
    reading: 'rodStroke',
    touched: ['circuit', 'rod', 'linkage'],
    again: true,
    reason: 'What the pedal sends must come out at the fork.',
  },
  {
    reading: 'returnTime',
    touched: ['circuit', 'rod', 'pedal'],
    again: true,
    reason: 'A pedal that hung as found must come up.',
  },
  {
    reading: 'gearWait',
    touched: ['circuit', 'rod', 'linkage', 'clutch'],
    again: true,
    reason: 'How soon the disc is free.',
  },
  {
    reading: 'overnightGrowth',
    touched: ['circuit', 'joint'],
    again: true,
    reason: 'A joint that draws air shows by morning.',
  },
]

/** What has to be looked at before a vehicle goes, by what the work touched. All must be found absent. */
export const PROOF_CHECKS: readonly {
  finding: FindingId
  touched: readonly Touched[]
  sharedOnly?: true
  owed: string
}[] = [
  // Brakes before anything else, where they share the reservoir.
  {
    finding: 'brakePedalChanged',
    touched: ['circuit'],
    sharedOnly: true,
    owed: 'Brake pedal proved first',
  },
  { finding: 'unionsWet', touched: ['circuit', 'joint'], owed: 'Unions after ten hard strokes' },
  { finding: 'levelLow', touched: ['circuit', 'joint'], owed: 'Level on its mark' },
  { finding: 'startsPedalUp', touched: ['pedal'], owed: 'Starts only with the pedal down' },
  {
    finding: 'gearGrinds',
    touched: ['circuit', 'rod', 'pedal', 'linkage', 'clutch'],
    owed: 'Unsynchronised gear goes in quietly',
  },
  { finding: 'slips', touched: ['rod', 'linkage', 'clutch'], owed: 'Holds on a load test' },
]
/** Every switch that is noted at the pedal has its own test; the starting one is asked for with the rest. */
export const SWITCH_CHECKS: readonly {
  does: Exclude<PedalSwitch['does'], 'start'>
  finding: FindingId
  touched: readonly Touched[]
  owed: string
}[] = [
  {
    does: 'cruise',
    finding: 'cruiseStays',
    touched: ['pedal', 'rod'],
    owed: 'Cruise control drops out with the pedal',
  },
  {
    does: 'other',
    finding: 'switchDead',
    touched: ['pedal', 'rod'],
    owed: 'Every other switch does its work',
  },
]
/** The rule that a reading or a check answers. */
export const RULE_OF: Partial<Record<ReadingName | FindingId, RuleName>> = {
  freeTravel: 'reserve',
  takeUpHeight: 'reserve',
  sink: 'sink',
  rodClearance: 'rodClearance',
  rodStroke: 'rodStroke',
  returnTime: 'returnTime',
  gearWait: 'gearQuiet',
  overnightGrowth: 'overnight',
  unionsWet: 'unionsDry',
  levelLow: 'levelFall',
  startsPedalUp: 'switches',
  gearGrinds: 'gearQuiet',
  slips: 'slip',
  brakePedalChanged: 'brakes',
}
