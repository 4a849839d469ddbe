import type { Method, Trick } from '../entries'
import type { Thing } from './things'
import { WORK_MOVES, type Work } from './works'

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

export const OPEN = bleeder('open', { screw: 'open', puts: ['screwLoose'] })
export const SHUT = bleeder('shut', { screw: 'shut' })
export const LOOSEN = bleeder('loosen', { screw: 'open', puts: ['unionLoose'] })
export const NIP = bleeder('nip', { screw: 'shut' })
export const UP = pedal('up', { pedal: 'up' })
/** What holds the pedal down is taken out with the foot on it: it stays down until it is called up. */
export const REMOVE = pedal('remove', { pedal: 'down', takes: ['bar', 'wedge'] })
const DOWN = pedal('down', { pedal: 'down' })
const STROKE = pedal('down', { pedal: 'down', draws: true })
const TAG = pedal('tag', { puts: ['tag'] })
const UNTAG = pedal('untag', { takes: ['tag'] })
/** s of a walk from the pedal to the screw, or back: two of them are a trip. */
const WALK = bleeder('walk', { seconds: 10 })

const AT_SCREW = { valve: 'screw' } as const
const WITH_HOSE = { ...AT_SCREW, wants: ['marked', 'hose'] } as const
const SLAVE_IN_HAND = [
  bleeder('in'),
  bleeder('wait', { seconds: 5 }),
  bleeder('out', { draws: true }),
  bleeder('wait', { seconds: 5 }),
]

/** What is called, in which order, in each method. */
export const METHOD_MOVES: Record<Method, MethodMoves> = {
  openPush: moves([OPEN, STROKE, SHUT, UP], { ...WITH_HOSE, shutFirst: true, two: true }),
  crackedUnion: moves([LOOSEN, STROKE, NIP, UP], {
    wants: ['marked', 'cover'],
    shutFirst: true,
    two: true,
    valve: 'union',
  }),
  pumpHold: moves(
    [
      pedal('pump', { times: 4, pedal: 'down' }),
      pedal('hold', { pedal: 'down' }),
      { ...OPEN, draws: true },
      SHUT,
      UP,
    ],
    { ...WITH_HOSE, shutFirst: true, two: true },
  ),
  prop: moves(
    [
      WALK,
      OPEN,
      WALK,
      STROKE,
      pedal('bar', { pedal: 'down', heldBy: 'bar', puts: ['bar'] }),
      WALK,
      SHUT,
      WALK,
      REMOVE,
      UP,
    ],
    { ...WITH_HOSE, shutFirst: true },
  ),
  submerged: moves([STROKE, UP], { ...WITH_HOSE, before: [OPEN], after: [SHUT] }),
  checkValve: moves([STROKE, UP], {
    ...AT_SCREW,
    wants: ['marked', 'valveHose'],
    before: [OPEN],
    after: [SHUT],
  }),
  gravity: moves([bleeder('wait', { seconds: 60, draws: true })], {
    ...WITH_HOSE,
    before: [OPEN],
    after: [SHUT],
  }),
  pressure: moves([OPEN, bleeder('flow', { draws: true }), SHUT], {
    ...AT_SCREW,
    wants: ['marked', 'hose', 'pressureCap'],
    before: [pedal('apply', { puts: ['pressure'] })],
    after: [pedal('vent', { takes: ['pressure'] })],
  }),
  vacuum: moves([OPEN, bleeder('flow', { draws: true }), SHUT], {
    ...AT_SCREW,
    wants: ['marked', 'pumpHose'],
    before: [bleeder('apply', { puts: ['vacuum'] })],
    after: [bleeder('vent', { takes: ['vacuum'] })],
  }),
  // Never filled first: what is sent up needs the room.
  inject: moves([OPEN, bleeder('inject', { draws: true }), SHUT], {
    ...AT_SCREW,
    wants: ['lowered', 'purged', 'injector'],
    rises: true,
  }),
  hang: moves(SLAVE_IN_HAND, { wants: ['hung', 'marked'], offVehicle: true }),
  slaveStrokes: moves(SLAVE_IN_HAND, { wants: ['tag', 'slaveOff', 'marked'], offVehicle: true }),
  reservoirVacuum: moves(
    [
      pedal('apply', { seconds: 30, puts: ['vacuum'] }),
      pedal('wait', { seconds: 120 }),
      pedal('vent', { seconds: 10, takes: ['vacuum'], draws: true }),
      pedal('wait', { seconds: 20 }),
    ],
    { wants: ['marked', 'vacuumCap'] },
  ),
  benchLoop: moves([DOWN, UP], {
    wants: ['vice', 'levelled', 'hands', 'loop', 'marked'],
    offVehicle: true,
  }),
}
/** Tricks in their safe form; they have one cycle. */
export const TRICK_MOVES: Record<Trick, MethodMoves> = {
  shortStrokes: moves([pedal('short', { times: 10, draws: true })], { wants: ['marked'] }),
  tap: moves([bleeder('knock', { seconds: 30, draws: true })]),
  noseUp: moves([bleeder('raise', { puts: ['tilt'] })]),
  noseDown: moves([bleeder('raise', { puts: ['tilt'] })]),
  turned: moves([TAG, bleeder('turn'), bleeder('refit'), UNTAG]),
  // Never by hand with a foot on the pedal: tagged, screw open, pressed home by a clamp, shut, clamp off.
  bottomed: moves(
    [
      TAG,
      OPEN,
      bleeder('squeeze', { puts: ['slaveClamp'] }),
      SHUT,
      bleeder('unclamp', { takes: ['slaveClamp'], draws: true }),
      UNTAG,
    ],
    WITH_HOSE,
  ),
  wedged: moves(
    [TAG, pedal('wedge', { pedal: 'down', heldBy: 'wedge', puts: ['wedge'], draws: true })],
    {
      bars: ['capOff'],
      after: [REMOVE, UP, UNTAG],
    },
  ),
  // A dry slave in the hand, and a new master that sends nothing.
  slavePrimed: moves([bleeder('in'), bleeder('prime'), bleeder('out')], { offVehicle: true }),
  masterPrimed: moves([LOOSEN, STROKE, NIP, UP], {
    wants: ['marked', 'cover'],
    shutFirst: true,
    two: true,
    valve: 'union',
  }),
}
/** All that is coached: a method, a trick, or work that belongs to it. */
export type Coached = Method | Trick | Work
export const isMethod = (name: Coached): name is Method => name in METHOD_MOVES
export const isTrick = (name: Coached): name is Trick => name in TRICK_MOVES
export const movesOf = (name: Coached): MethodMoves =>
  isMethod(name) ? METHOD_MOVES[name] : isTrick(name) ? TRICK_MOVES[name] : WORK_MOVES[name]
