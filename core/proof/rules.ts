import { type FindingId, type ReadingName } from '../diagnosis'

/** Limits of acceptance: each with the reason that a lead may dispute. */
export const LIMITS = {
  /** mm in a minute; a tape on a held pad is good to about this, and a sound cup does not sink at all. */
  sinkPerMinute: 2,
  /** Clear cycles in a row; bubbles end before air does, so once is not enough. */
  clearInRow: 3,
} as const

/** Readings that every proof needs, whatever was measured before. */
export const PROOF_READINGS: readonly ReadingName[] = [
  'freeTravel',
  'takeUpHeight',
  'sink',
  'rodClearance',
]

/** What has to be looked at before a vehicle goes. All must be found absent. */
export const PROOF_CHECKS: readonly { finding: FindingId; sharedOnly?: true; owed: string }[] = [
  { finding: 'unionsWet', owed: 'Unions after ten hard strokes' },
  { finding: 'levelLow', owed: 'Level on its mark' },
  { finding: 'startsPedalUp', owed: 'Starts only with the pedal down' },
  { finding: 'gearGrinds', owed: 'Unsynchronised gear goes in quietly' },
  { finding: 'slips', owed: 'Holds on a load test' },
  { finding: 'brakePedalChanged', owed: 'Brake pedal proved first', sharedOnly: true },
]
