/** What is measured on a job, with tape, rule, watch and foot. */
export const READING_NAMES = [
  'freeTravel',
  'takeUpHeight',
  'padHeight',
  'rodStroke',
  'sink',
  'rodClearance',
  'reservoirDrop',
  'pumpUpGain',
] as const
export type ReadingName = (typeof READING_NAMES)[number]

export interface ReadingKind {
  name: ReadingName
  label: string
  unit: 'mm'
  min: number
  max: number
  /** Set where the reading is taken over a hold: its usual length, s. */
  over?: number
  how: string
  /** How it is said on the say-line. */
  words: string[]
  /** Worth measuring again to prove the work. */
  proves: boolean
}

export const READINGS: readonly ReadingKind[] = [
  {
    name: 'freeTravel',
    label: 'Free travel at the pad',
    unit: 'mm',
    min: 0,
    max: 500,
    how: 'One finger on the pad until it meets resistance; tape along the pad’s path.',
    words: ['free', 'free travel'],
    proves: true,
  },
  {
    name: 'takeUpHeight',
    label: 'Take-up height',
    unit: 'mm',
    min: 0,
    max: 500,
    how: 'Let the pedal up slowly; pad centre above floor or stop where the clutch bites.',
    words: ['take-up', 'takeup', 'take up', 'bite'],
    proves: true,
  },
  {
    name: 'padHeight',
    label: 'Pad height, pedal up',
    unit: 'mm',
    min: 10,
    max: 500,
    how: 'Pad centre above floor or stop, along its path, pedal up.',
    words: ['height', 'pad', 'pad height'],
    proves: false,
  },
  {
    name: 'rodStroke',
    label: 'Rod stroke, full pedal',
    unit: 'mm',
    min: 0,
    max: 150,
    how: 'One called stroke; rule at the slave’s rod. Nobody’s hands at the fork.',
    words: ['stroke', 'rod stroke', 'rod'],
    proves: true,
  },
  {
    name: 'sink',
    label: 'Sink under a held foot',
    unit: 'mm',
    min: 0,
    max: 500,
    over: 60,
    how: 'Steady foot for a minute; how far the pad went down.',
    words: ['sink', 'sinks', 'sank'],
    proves: true,
  },
  {
    name: 'rodClearance',
    label: 'Pushrod clearance',
    unit: 'mm',
    min: -20,
    max: 30,
    how: 'Play at the rod before the piston is felt. Below 0: how far the rod is too long for its pin to slide in.',
    words: ['clearance', 'rod clearance', 'rod play'],
    proves: true,
  },
  {
    name: 'reservoirDrop',
    label: 'Fall of the reservoir’s level',
    unit: 'mm',
    min: 0,
    max: 500,
    over: 3600,
    how: 'Mark the level, wait hours rather than a minute, rule again.',
    words: ['level fell', 'drop', 'level drop'],
    proves: false,
  },
  {
    name: 'pumpUpGain',
    label: 'Pad won by quick strokes',
    unit: 'mm',
    min: 0,
    max: 500,
    how: 'Three quick strokes, then free travel again: how much shorter it is.',
    words: ['pump', 'gain', 'pump gain'],
    proves: false,
  },
]

const byName = new Map(READINGS.map((reading) => [reading.name, reading]))
export const readingKind = (name: ReadingName): ReadingKind => byName.get(name)!
