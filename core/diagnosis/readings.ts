import type { CoreUnit } from '../quantity'
import type { FindingId, Need } from './findings'

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
  'heldDrop',
  'returnTime',
  'gearWait',
  'switchAt',
  'overnightGrowth',
  'temperature',
] as const
export type ReadingName = (typeof READING_NAMES)[number]

export interface ReadingKind {
  name: ReadingName
  label: string
  unit: Extract<CoreUnit, 'mm' | 's' | '°C'>
  min: number
  max: number
  /** Set where the reading is taken over a hold: its usual length, s. */
  over?: number
  how: string
  /** How it is said on the say-line. */
  words: string[]
  /** Worth measuring again to prove the work. */
  proves: boolean
  /** Hands on the vehicle; engineering judgement. */
  minutes: number
  tools: string
  needs: readonly Need[]
  /** One standard deviation of the reading itself, in its unit, and why. */
  error: readonly [sigma: number, reason: string]
  /** Read once that other figure is known. */
  afterReading?: ReadingName
  /** The yes-or-no finding that this figure takes the place of. */
  insteadOf?: FindingId
  /** From this figure on that finding is present, under it absent; left out where the figure itself is weighed. */
  presentFrom?: number | 'fullTravel'
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
    minutes: 3,
    tools: 'tape',
    needs: ['pedal'],
    error: [1, 'A tape held to a moving pad.'],
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
    minutes: 3,
    tools: 'tape',
    needs: ['pedal', 'engine'],
    error: [2, 'The bite is felt within two millimetres.'],
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
    minutes: 2,
    tools: 'tape',
    needs: [],
    error: [1, 'A tape against carpet.'],
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
    minutes: 5,
    tools: 'rule',
    needs: ['helper', 'pedal', 'underneath'],
    error: [0.5, 'A rule beside a moving rod.'],
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
    minutes: 3,
    tools: 'tape, watch',
    needs: ['pedal'],
    error: [1, 'A tape held to a pad under a steady foot.'],
    insteadOf: 'heldSinks',
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
    minutes: 3,
    tools: 'feeler or rule',
    needs: [],
    error: [0.15, 'Felt at the rod, not seen.'],
    insteadOf: 'rodTight',
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
    minutes: 3,
    tools: 'marker, rule',
    needs: ['hours'],
    error: [0.5, 'A mark on the side of the reservoir.'],
    insteadOf: 'toppedUp',
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
    minutes: 3,
    tools: 'tape',
    needs: ['pedal'],
    error: [1.5, 'The difference of two tapes.'],
    afterReading: 'freeTravel',
    insteadOf: 'pumpsUp',
  },
  {
    name: 'heldDrop',
    label: 'Fall of the level over a held minute',
    unit: 'mm',
    min: 0,
    max: 100,
    over: 60,
    how: 'Mark the level, steady foot for a minute, let the pedal up, rule at the mark.',
    words: ['level held', 'held drop', 'level after holding'],
    proves: false,
    minutes: 4,
    tools: 'marker, rule',
    needs: ['pedal', 'helper'],
    error: [0.3, 'A mark on the side of the reservoir.'],
  },
  {
    name: 'returnTime',
    label: 'Time the pedal takes to come up',
    unit: 's',
    min: 0,
    max: 500,
    how: 'Press, slide the foot off sideways, watch until the pad is at its rest.',
    words: ['return time', 'comes up in', 'return'],
    proves: true,
    minutes: 1,
    tools: 'watch',
    needs: ['pedal'],
    error: [0.3, 'A thumb on a watch.'],
    insteadOf: 'padHangs',
    presentFrom: 1.5,
  },
  {
    name: 'gearWait',
    label: 'Wait until the unsynchronised gear goes in quietly',
    unit: 's',
    min: 0,
    max: 120,
    how: 'Pedal right down, count, try it. Brake on, nobody in front.',
    words: ['gear wait', 'wait for the gear', 'gear after'],
    proves: true,
    minutes: 2,
    tools: 'watch',
    needs: ['engine', 'pedal'],
    error: [1, 'Tried, not measured.'],
    insteadOf: 'gearGrinds',
    presentFrom: 6,
  },
  {
    name: 'switchAt',
    label: 'Pad travel at which the starting switch closes',
    unit: 'mm',
    min: 0,
    max: 500,
    how: 'Tape at the pad from its rest to the click; more than full travel where it never clicks.',
    words: ['switch at', 'switch closes', 'clicks at'],
    proves: false,
    minutes: 3,
    tools: 'tape',
    needs: [],
    error: [2, 'The click is heard, not seen.'],
    insteadOf: 'switchUnreached',
    presentFrom: 'fullTravel',
  },
  {
    name: 'overnightGrowth',
    label: 'Free travel gained overnight',
    unit: 'mm',
    min: -100,
    max: 500,
    how: 'Free travel in the evening; again in the morning before the first stroke: the difference.',
    words: ['overnight growth', 'overnight gain', 'gained overnight'],
    proves: true,
    minutes: 5,
    tools: 'tape, tag',
    needs: ['hours', 'pedal'],
    error: [1.5, 'The difference of two tapes.'],
    insteadOf: 'fadesOvernight',
    presentFrom: 3,
  },
  {
    name: 'temperature',
    label: 'Temperature where it stands',
    unit: '°C',
    min: -40,
    max: 60,
    how: 'Thermometer in the shade; cold fluid is thick and the pedal slow.',
    words: ['temperature', 'temp', 'degrees'],
    proves: false,
    minutes: 1,
    tools: 'thermometer',
    needs: [],
    error: [1, 'A thermometer in a workshop.'],
  },
]

const byName = new Map(READINGS.map((reading) => [reading.name, reading]))
export const readingKind = (name: ReadingName): ReadingKind => byName.get(name)!
