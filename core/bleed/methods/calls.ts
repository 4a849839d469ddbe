/** The pieces that a coached bleed is put together from: who is called to do what, and the sentences that go with it. */

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

/** What a bleed puts on the vehicle, takes off it or makes ready, and what undoes that again. */
export const THINGS = [
  'capOff',
  'marked',
  'lowered',
  'purged',
  'hose',
  'valveHose',
  'pumpHose',
  'injector',
  'pressureCap',
  'vacuumCap',
  'pressure',
  'vacuum',
  'cover',
  'screwLoose',
  'unionLoose',
  'slaveOff',
  'slaveClamp',
  'bar',
  'wedge',
  'tag',
  'tilt',
  'hung',
  'vice',
  'levelled',
  'hands',
  'loop',
  'plug',
] as const
export type Thing = (typeof THINGS)[number]

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

/** A call of a method: what whoever does it reads, and what the other one reads meanwhile. */
export type Row = readonly [call: Call, does: string, other: string]
export interface Sentences {
  before?: readonly Row[]
  cycle: readonly Row[]
  after?: readonly Row[]
}
/** A move with its sentences: to whoever does it, and to the other one meanwhile. */
export type Spoken = readonly [move: Move, does: string, other: string]
/** What is called of a method, and what is said with it. */
export interface Calls {
  moves: MethodMoves
  sentences: Sentences
}
const movesIn = (list: readonly Spoken[]) => list.map(([move]) => move)
const said = (list: readonly Spoken[]) =>
  list.map(([{ call }, does, other]): Row => [call, does, other])

/** @param cycle what is called in every cycle; before the first and after the last comes with the rest */
export function calls(
  cycle: readonly Spoken[],
  {
    before = [],
    after = [],
    ...more
  }: Partial<Omit<MethodMoves, 'cycle' | 'before' | 'after'>> & {
    before?: readonly Spoken[]
    after?: readonly Spoken[]
  } = {},
): Calls {
  return {
    moves: moves(movesIn(cycle), { ...more, before: movesIn(before), after: movesIn(after) }),
    sentences: {
      ...(before.length > 0 && { before: said(before) }),
      cycle: said(cycle),
      ...(after.length > 0 && { after: said(after) }),
    },
  }
}

// Moves that several methods share.
export const OPEN = bleeder('open', { screw: 'open', puts: ['screwLoose'] })
export const SHUT = bleeder('shut', { screw: 'shut' })
export const LOOSEN = bleeder('loosen', { screw: 'open', puts: ['unionLoose'] })
export const NIP = bleeder('nip', { screw: 'shut' })
export const UP = pedal('up', { pedal: 'up' })
/** What holds the pedal down is taken out with the foot on it: it stays down until it is called up. */
export const REMOVE = pedal('remove', { pedal: 'down', takes: ['bar', 'wedge'] })
export const STROKE = pedal('down', { pedal: 'down', draws: true })
export const TAG = pedal('tag', { puts: ['tag'] })
export const UNTAG = pedal('untag', { takes: ['tag'] })
export const AT_SCREW = { valve: 'screw' } as const
export const WITH_HOSE = { ...AT_SCREW, wants: ['marked', 'hose'] } as const
/** The slave in the hand: its rod in, and let out slowly. */
export const IN_HAND = {
  in: bleeder('in'),
  wait: bleeder('wait', { seconds: 5 }),
  out: bleeder('out', { draws: true }),
} as const
