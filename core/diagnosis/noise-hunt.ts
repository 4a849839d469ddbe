import type { FindingId } from './findings'

/** A place at which one listens while a helper works the pedal, from the foot down to the clutch. */
export interface NoisePlace {
  finding: FindingId
  label: string
  /** Where ear and hand go. */
  hand: string
}
export const NOISE_PLACES: readonly NoisePlace[] = [
  { finding: 'noiseAtPedal', label: 'Pedal', hand: 'Hand on the arm and the return spring.' },
  {
    finding: 'noiseAtPivot',
    label: 'Pivot',
    hand: 'Finger on the pivot’s end; a drop of oil, and again.',
  },
  { finding: 'noiseAtRod', label: 'Rod', hand: 'Finger on the clevis pin; a drop of oil, and again.' },
  { finding: 'noiseAtMaster', label: 'Master', hand: 'Palm round the body, ear close.' },
  {
    finding: 'noiseAtSlave',
    label: 'Slave',
    hand: 'Ear at the body, from outside. Hands off rod and fork while the pedal moves.',
  },
  {
    finding: 'noiseAtFork',
    label: 'Fork',
    hand: 'A rod from housing to ear. Hands off the fork while the pedal moves.',
  },
]
