import type { Thing } from './things'

/** Who does a move: the one at the pedal, or the one at the bleed screw. Alone, one person is both. */
export type Role = 'pedal' | 'bleeder'

/** A move is called by one word, and answered by a touch, or by its own time. Each word stands for one thing (words.test.ts). */
export const CALLS = [
  'open',
  'down',
  'shut',
  'up',
  'loosen',
  'nip',
  'pump',
  'hold',
  'wait',
  'walk',
  'bar',
  'remove',
  'flow',
  'apply',
  'vent',
  'inject',
  'in',
  'out',
  'short',
  'knock',
  'tag',
  'untag',
  'squeeze',
  'unclamp',
  'wedge',
  'raise',
  'wheels',
  'turn',
  'refit',
  'unbolt',
  'hose',
  'rig',
  'detach',
  'tighten',
  'cover',
  'wipe',
  'fill',
  'cap',
  'adapter',
  'drawOff',
  'purge',
  'vice',
  'level',
  'hands',
  'loop',
  'plug',
  'pull',
  'join',
  'prime',
  'suspend',
] as const
export type Call = (typeof CALLS)[number]

/** What holds a pedal that is down; nobody, where it lies on the floor by itself. */
export type HeldBy = 'foot' | 'bar' | 'wedge' | 'nobody'

export interface Move {
  call: Call
  role: Role
  /** How often it is done on one call. */
  times?: number
  /** It ends by itself after so many seconds. */
  seconds?: number
  /** The bleed screw, or the union in its place, afterwards. */
  screw?: 'open' | 'shut'
  /** The pedal afterwards. */
  pedal?: 'down' | 'up'
  /** What holds the pedal afterwards; the foot where nothing is said of a pedal that is down. */
  heldBy?: HeldBy
  /** What is on the vehicle afterwards, and what is off it. */
  puts?: readonly Thing[]
  takes?: readonly Thing[]
  /** What the cycle takes out of the reservoir counts here: it is where it is held back. */
  draws?: true
  /** The reservoir stands at its mark afterwards. */
  fills?: true
  /** It is drawn off to where what is sent up has room. */
  lowers?: true
}
export interface MethodMoves {
  /** What has to be on, at hand or ready before its first move, in the order in which it is called. */
  wants: readonly Thing[]
  /** What must be off before it begins, beside what nothing but its own method wants. */
  bars: readonly Thing[]
  /** Once before the first cycle, every cycle, and once after the last. */
  before: readonly Move[]
  cycle: readonly Move[]
  after: readonly Move[]
  /** The screw has to be shut before the pedal comes up: what is open then draws air. */
  shutFirst: boolean
  /** Where it is opened: at the bleed screw, at a union in its place, nowhere. */
  valve: 'screw' | 'union' | null
  /** One at the pedal and one at the screw, at the same time. */
  two: boolean
  /** In the hand, hung up or on the bench: no call is for anything on the vehicle. */
  offVehicle: boolean
  /** It sends fluid up into the reservoir, which may come to stand over its mark. */
  rises: boolean
}

export const bleeder = (call: Call, more: Partial<Move> = {}): Move => ({
  call,
  role: 'bleeder',
  ...more,
})
export const pedal = (call: Call, more: Partial<Move> = {}): Move => ({ call, role: 'pedal', ...more })

export const moves = (
  cycle: readonly Move[],
  more: Partial<Omit<MethodMoves, 'cycle'>> = {},
): MethodMoves => ({
  wants: [],
  bars: [],
  before: [],
  after: [],
  shutFirst: false,
  valve: null,
  two: false,
  offVehicle: false,
  rises: false,
  ...more,
  cycle,
})
