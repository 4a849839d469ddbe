/** What is seen, felt and heard, by the place where one looks. The reason says what it speaks for. */
export type Place = 'footwell' | 'engineBay' | 'underneath' | 'road'

/** Where one looks, and what always stands there; what one look asks for besides stands with that look. */
export const PLACES: readonly { id: Place; label: string; caution: string }[] = [
  {
    id: 'engineBay',
    label: 'Engine bay',
    caution: 'Gloves and glasses; fluid off the paint, water at hand. Mind the exhaust.',
  },
  {
    id: 'footwell',
    label: 'Footwell',
    caution: 'Hands at the rod only with nobody’s foot on the pedal, ignition off.',
  },
  {
    id: 'underneath',
    label: 'Underneath',
    caution:
      'On rated stands, wheels chocked, never on a jack alone. Nobody at the pedal while hands are at the fork.',
  },
  {
    id: 'road',
    label: 'At the pedal and on the road',
    caution:
      'Engine running: nobody under it or in front, brake on, out of gear until a step asks for a gear.',
  },
]

/** What must be so before a look can be taken. */
export type Need =
  'helper' | 'pedal' | 'underneath' | 'engine' | 'road' | 'slaveOff' | 'circuitOpen' | 'hours'

/** What kind of vehicle, or of job, a row is for. */
export type Only = 'external' | 'concentric' | 'adjustable' | 'hose' | 'bleeder' | 'shared'

export interface FindingKind {
  id: string
  place: Place
  label: string
  /** What is said when it is there, and when it was looked for and is not. */
  present: string
  absent: string
  how: string
  /** What it speaks for. */
  reason: string
  /** Hands on the vehicle, once one stands there; engineering judgement. */
  minutes: number
  tools: string
  needs: readonly Need[]
  /** Looked at only once that other finding is present: else there is nothing to look at. */
  after?: string
  /** Says nothing while that other finding is present, or not known to be absent. */
  unless?: string
  /** Chance that it is there though no fault of the table makes it so, and why. */
  background: readonly [chance: number, reason: string]
  /** What makes it present though no fault of the table does is no hydraulic part and no fluid either. */
  elsewhere?: true
  /** How it is said on the say-line. */
  words: string[]
  caution?: string
  only?: Only
  /** Felt or heard: afterwards it may be gone, less or the same. */
  felt?: true
  /** Worth a glance on any job, complaint or none. */
  glance?: true
  /** Belongs to the proof of finished work, not to the search. */
  proveOnly?: true
  /** Ends work on that path until it is mended or a named person takes it over. */
  stop?: string
  /** What it costs on the whole to go on regardless, money, and why: judgement. */
  goingOn?: readonly [money: number, reason: string]
  /** Stops only those who would do this. */
  stopsOnly?: 'rebuild'
  /** What nobody may do meanwhile. */
  bars?: readonly Need[]
}

export const row = <const T extends FindingKind>(kind: T): T => kind
