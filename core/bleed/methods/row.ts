import type { ConstantName, Constants } from '../constants'
import type { Machine } from '../machine'
import type { Chambers } from '../state'
import type { Calls } from './calls'

/** What there is to bleed with. */
export const KIT = [
  'pump',
  'vacuumPump',
  'pressureCap',
  'injector',
  'checkValveHose',
  'hose',
  'prop',
  'wedge',
] as const
export type KitItem = (typeof KIT)[number]

/** What a method needs to know of the circuit beside the machine. */
export interface Setting {
  machine: Machine
  /** Reservoir's level over the master, m. */
  level: number
  /** Area of the compensating port, m². */
  port: number
  /** Bore of the slave, m, and ml of its chamber from rest to the bottom. */
  slaveBore: number
  slaveTravel: number
  /** Chambers with the slave shortened to a length, from 1 (at rest) to 0 (bottomed). */
  shortened: (share: number) => Chambers
  /** No bleed screw: a hung line is bled by the slave itself. */
  screw: boolean
}
/** What a cycle says beside what it moved. */
export interface Told {
  stalled: boolean
  /** ml/s through the screw, on the average of what flowed. */
  flow: number
}

/** What a method takes beside strokes: judgement. */
export interface Needs {
  people: number
  tools: readonly KitItem[]
  /** Minutes before its first cycle. */
  setup: number
  /** ml that it spills, about. */
  spill: number
  /** It needs a bleed screw; none where it is for circuits that have no screw to open. */
  screw: boolean | 'none'
  /** False where it is not done on a reservoir that the brakes share, but on a named person's word. */
  shared: boolean
  reason: string
}

/** Fluid's net ml of a cycle, its seconds, and ml/s while it flows: what carries gas along. */
export interface Rate {
  net: number
  seconds: number
  flow: number
}
export interface RateOf {
  constants: Constants
  /** ml of the master's stroke. */
  stroke: number
  /** What flows by itself at a pressure over the reservoir and a vacuum at the screw, Pa. */
  steady: (over: number, vacuum: number) => Rate
}

/** What a dry circuit looks like while it fills this way and is not wrong, and what is counted until fluid comes. */
export interface Fills {
  unit: 'stroke' | 'cycle'
  looksWrong: readonly string[]
}

/** How air and fluid move in one cycle: what the model goes through. */
export interface Run<Id extends string = string> {
  /** As the verbs `bleed` and `rank` call it, and all that ranks, plays and follows. */
  id: Id
  /** As a sequence names it. */
  words: string
  needs: Needs
  /** It ends a bleed and begins none. */
  finishes: boolean
  /** The whole circuit hangs in a line while it is done. */
  hung: boolean
  /** Done with the slave in the hand: a screw that it may have is not opened. */
  inHand: boolean
  /** It draws air past the threads of the screw, which is taken for the circuit's. */
  falseAir: boolean
  /** A cycle ends when so much has come, or has been sent up; null where it ends otherwise. */
  batch: 'drawn' | 'pushed' | null
  /** Constants on which it can tell; one that no method lists tells on all of them. */
  hangsOn: readonly ConstantName[]
  /** s between two looks where it is played: slow ones are looked at less often. */
  every: number
  /** Which way gas has to be carried: with what falls towards the screw, or up against it. */
  carries: 'down' | 'up'
  /** What carries it; null where nothing is sent through. */
  rate: (of: RateOf) => Rate | null
  fills: Fills
  /** Goes through one cycle. Nothing where nothing stalls and no flow is told. */
  cycle: (of: Setting) => Told | void
}

/** What is true of all that the coach calls. */
interface Coached {
  calls: Calls
  /** In the vehicle; the whole circuit hung up beside it; a new part that is primed; or on the bench. */
  where: 'vehicle' | 'hung' | 'newPart' | 'bench'
}

/** A method: what is done in cycles. */
export interface MethodRow<
  Id extends string = string,
  R extends Run | null = Run | null,
> extends Coached {
  /** As entries, the coach and the say-line call it. */
  id: Id
  kind: 'method'
  /** How it moves air and fluid; null where it moves nothing in the vehicle. */
  run: R
  /** It is done at a union in place of the screw. */
  atUnion: boolean
  name: string
  /** What is watched in a cycle. */
  hint: string
  /** How it is said, as a pattern; null where strokes alone say it, or nobody says it. */
  said: string | null
  /**
   * What a logged cycle takes out of the reservoir: by the stroke, by the opening however often it was pumped, by the minute, a batch; it
   * comes up instead; each stroke draws it and sends it back; or nothing.
   */
  draws: 'stroke' | 'opening' | 'minute' | 'batch' | 'comesUp' | 'sentBack' | 'nothing'
  /** Where another cannot be done: those that ask for the least come first. Null where it is never proposed. */
  instead: number | null
  /** Proposed only where there is no screw. */
  screwless: boolean
}

/** A trick: done once, to reach air that no cycle reaches. */
export interface TrickRow<
  Id extends string = string,
  R extends Run | null = Run | null,
> extends Coached {
  id: Id
  kind: 'trick'
  run: R
  name: string
  /** The maker’s data comes before it. Null where nothing can hurt. */
  caution: string | null
  /** How it is said, as a pattern; a figure in it is degrees, or how long. */
  said: { way: string; figure: 'degrees' | 'duration' | null }
  /** The vehicle stands otherwise from then on: nose up by as many degrees as are said, nose down, or not. */
  nose: 1 | -1 | 0
  /** The slave lies otherwise from then on. */
  turns: boolean
  /** What it draws at the most, where that is not its own run: like this one. */
  drawsAs: Run | null
  /** What is done where it cannot be; the usual ones where nothing is said. */
  instead: readonly string[] | null
}

export const method = <const Id extends string, R extends Run | null>(
  row: Omit<MethodRow<Id, R>, 'kind'>,
): MethodRow<Id, R> => ({ kind: 'method', ...row })
export const trick = <const Id extends string, R extends Run | null>(
  row: Omit<TrickRow<Id, R>, 'kind'>,
): TrickRow<Id, R> => ({ kind: 'trick', ...row })

const PLAIN = {
  finishes: false,
  hung: false,
  inHand: false,
  falseAir: false,
  batch: null,
  every: 0.1,
  carries: 'down',
} as const
type Asked = Omit<Run, keyof typeof PLAIN | 'id'> & Partial<Pick<Run, keyof typeof PLAIN>>
/** A run, with what is usual where nothing is said. */
export const run = <const Id extends string>({ id, ...row }: Asked & { id: Id }): Run<Id> => ({
  ...PLAIN,
  ...row,
  id,
})

const NOTHING = 'Nothing comes at first: what leaves is air, and it makes no bubbles in a dry hose.'
/** Filled by the pedal. */
export const BY_PEDAL: Fills = {
  unit: 'stroke',
  looksWrong: [
    NOTHING,
    'The pedal stays on the floor after each opening: nothing pushes it back yet.',
    'Lift the pedal by hand, slowly, until it comes up by itself.',
    'Air comes only after several strokes, once there is fluid in the hose to see it in.',
  ],
}
export const BY_STROKES: Fills = { unit: 'stroke', looksWrong: [NOTHING] }
/** Filled by cycles, in which this looks wrong; and nothing comes at first where nothing else is said. */
export const byCycles = (...looksWrong: string[]): Fills => ({
  unit: 'cycle',
  looksWrong: looksWrong.length > 0 ? looksWrong : [NOTHING],
})
export { NOTHING as NOTHING_AT_FIRST }
