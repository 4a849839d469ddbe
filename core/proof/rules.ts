import type { FindingId, ReadingName } from '../diagnosis'
import type { Touched } from '../work'

/** Limits of acceptance: each with the reason that a lead may dispute. */
export const LIMITS = {
  /** mm in a minute; a tape on a held pad is good to about this, and a sound cup does not sink at all. */
  sinkPerMinute: 2,
  /** Clear cycles in a row; bubbles end before air does, so once is not enough. */
  clearInRow: 3,
  /** mm; felt to two tenths, less may be none; more gives pedal away. */
  rodClearance: { low: 0.2, high: 1 },
  /** mm of pad before the floor by which the starting switch must have closed: mats and carpets take the rest. */
  switchBeforeFloor: 10,
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
  { finding: 'unionsWet', touched: ['circuit', 'joint'], owed: 'Unions after ten hard strokes' },
  { finding: 'levelLow', touched: ['circuit', 'joint'], owed: 'Level on its mark' },
  { finding: 'startsPedalUp', touched: ['pedal'], owed: 'Starts only with the pedal down' },
  {
    finding: 'gearGrinds',
    touched: ['circuit', 'rod', 'pedal', 'linkage', 'clutch'],
    owed: 'Unsynchronised gear goes in quietly',
  },
  { finding: 'slips', touched: ['rod', 'linkage', 'clutch'], owed: 'Holds on a load test' },
  {
    finding: 'brakePedalChanged',
    touched: ['circuit'],
    sharedOnly: true,
    owed: 'Brake pedal proved first',
  },
]
