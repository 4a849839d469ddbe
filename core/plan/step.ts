import type { Learnt } from './learn'

/** Where a step is done. */
export const PLACES = ['bench', 'engineBay', 'footwell', 'under', 'wheelArch', 'road'] as const
export type Place = (typeof PLACES)[number]

/** What is written down before it is lost, and brought back where it is needed. */
export const RECORDS = [
  'rodLength',
  'threadsOnRod',
  'switchThreads',
  'padHeight',
  'freeTravel',
  'rodStroke',
  'routing',
  'clips',
  'portOrientation',
  'sensorOrientation',
  'lineEnds',
  'witnessMark',
  'hosePath',
  'outletAngle',
  'fasteners',
] as const
export type RecordName = (typeof RECORDS)[number]

/** Cautions that stand beside a step, once. */
export const CAUTIONS = [
  'fluid',
  'eyes',
  'jack',
  'hot',
  'clutchDust',
  'spring',
  'pedalNobody',
  'air',
  'battery',
  'engineRunning',
  'brakes',
  'heavy',
  'sharp',
  'startInGear',
  'asbestos',
] as const
export type Caution = (typeof CAUTIONS)[number]

/** A tool, with its size where a joint or a fastener names one. */
export interface Tool {
  name: string
  size?: string
}

/** One step of a plan, as it is done and as it is checked. */
export interface Step {
  id: string
  package: string
  title: string
  does: string
  why: string
  place: Place
  minutes: [low: number, likely: number, high: number]
  people: number
  needs: string[]
  forbids: string[]
  puts: string[]
  takes: string[]
  records: string[]
  recalls: string[]
  /** It moves the pedal; `called` is the one stroke that is called while hands are at the fork. */
  presses?: boolean | 'called'
  /** Fluid goes into the circuit on the vehicle. */
  fills?: boolean
  electrical?: boolean
  engine?: boolean
  cautions: string[]
  tools: Tool[]
  /** Whose figure tightens it: the vehicle's data decides. */
  torque?: string
  /** Its minutes as this shop's own jobs have moved them. */
  learnt?: Learnt
}

/** Facts of the vehicle that a plan hangs on. */
export interface VehicleFacts {
  battery?: boolean
  sharedReservoir?: boolean
  concentric?: boolean
  bleedScrew?: boolean
  boltedFrom?: 'below' | 'above'
  [further: string]: boolean | string | undefined
}
