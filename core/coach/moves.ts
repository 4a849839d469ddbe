import type { Method, Trick } from '../entries'
import { WORK_MOVES, type Work } from './works'

/** Who does a move: the one at the pedal, or the one at the bleed screw. Alone, one person is both. */
export type Role = 'pedal' | 'bleeder'

/** A move is called by one word, and answered by a touch, or by its own time. */
export type Call =
  | 'open'
  | 'down'
  | 'shut'
  | 'up'
  | 'pump'
  | 'hold'
  | 'wait'
  | 'walk'
  | 'look'
  | 'build'
  | 'release'
  | 'push'
  | 'draw'
  | 'letBack'
  | 'in'
  | 'out'
  | 'short'
  | 'tap'
  | 'tag'
  | 'untag'
  | 'press'
  | 'clampOff'
  | 'wedge'
  | 'raise'
  | 'turn'
  | 'back'
  | 'hose'
  | 'fill'
  | 'clamp'
  | 'level'
  | 'hands'
  | 'plug'
  | 'unplug'
  | 'join'
  | 'fillPort'
  | 'letOut'

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
  /** It takes fluid out of the reservoir: so many strokes of the pedal, or ml. */
  strokes?: number
  /** Below 0 where it sends fluid back up. */
  draws?: number
  /** The reservoir stands at its mark afterwards. */
  fills?: true
}
export interface MethodMoves {
  /** Once before the first cycle, every cycle, and once after the last. */
  before: readonly Move[]
  cycle: readonly Move[]
  after: readonly Move[]
  /** The screw has to be shut before the pedal comes up. */
  shutFirst: boolean
  /** Walks from the pedal to the screw and back, where one person does it. */
  alone?: true
}

export const bleeder = (call: Call, more: Partial<Move> = {}): Move => ({
  call,
  role: 'bleeder',
  ...more,
})
export const pedal = (call: Call, more: Partial<Move> = {}): Move => ({ call, role: 'pedal', ...more })
const OPEN = bleeder('open', { screw: 'open' })
const SHUT = bleeder('shut', { screw: 'shut' })
const DOWN = pedal('down', { pedal: 'down', strokes: 1 })
const UP = pedal('up', { pedal: 'up' })
const WALK = bleeder('walk', { seconds: 20 })
const TAG = pedal('tag')
const UNTAG = pedal('untag')
/** ml that are drawn before one looks at the level, and that are pushed up in one go. */
const BATCH = 50
const PUSHED = 20

export const moves = (
  cycle: readonly Move[],
  more: Partial<Omit<MethodMoves, 'cycle'>> = {},
): MethodMoves => ({ before: [], after: [], shutFirst: false, ...more, cycle })
const SHUT_FIRST = { shutFirst: true } as const
const SLAVE_IN_HAND = [
  bleeder('in'),
  bleeder('wait', { seconds: 5 }),
  bleeder('out'),
  bleeder('wait', { seconds: 5 }),
]

/** What is called, in which order, in each method. */
export const METHOD_MOVES: Record<Method, MethodMoves> = {
  openPush: moves([OPEN, DOWN, SHUT, UP], SHUT_FIRST),
  crackedUnion: moves([OPEN, DOWN, SHUT, UP], SHUT_FIRST),
  pumpHold: moves(
    [pedal('pump', { times: 4, pedal: 'down' }), pedal('hold', { pedal: 'down' }), OPEN, SHUT, UP].map(
      (move) => (move.call === 'open' ? { ...move, strokes: 0.4 } : move),
    ),
    SHUT_FIRST,
  ),
  prop: moves([WALK, OPEN, DOWN, WALK, SHUT, UP], { shutFirst: true, alone: true }),
  submerged: moves([DOWN, UP], { before: [OPEN], after: [SHUT] }),
  checkValve: moves([DOWN, UP], { before: [OPEN], after: [SHUT] }),
  gravity: moves([bleeder('wait', { seconds: 60, draws: 25 })], { before: [OPEN], after: [SHUT] }),
  pressure: moves([OPEN, bleeder('look', { draws: BATCH }), SHUT], {
    before: [pedal('build')],
    after: [pedal('release')],
  }),
  vacuum: moves([OPEN, bleeder('look', { draws: BATCH }), SHUT], {
    before: [bleeder('build')],
    after: [bleeder('release')],
  }),
  inject: moves([OPEN, bleeder('push', { draws: -PUSHED }), SHUT]),
  hang: moves(SLAVE_IN_HAND),
  slaveStrokes: moves(SLAVE_IN_HAND),
  reservoirVacuum: moves([
    pedal('draw', { seconds: 30 }),
    pedal('wait', { seconds: 120 }),
    pedal('letBack', { seconds: 10 }),
    pedal('wait', { seconds: 20 }),
  ]),
  benchLoop: moves([DOWN, UP].map((move) => ({ ...move, strokes: 0 }))),
}
/** Tricks in their safe form; they have one cycle. */
export const TRICK_MOVES: Record<Trick, MethodMoves> = {
  shortStrokes: moves([pedal('short', { times: 10 })]),
  tap: moves([bleeder('tap', { seconds: 30 })]),
  noseUp: moves([bleeder('raise')]),
  noseDown: moves([bleeder('raise')]),
  turned: moves([TAG, bleeder('turn'), bleeder('back'), UNTAG]),
  // Never by hand with a foot on the pedal: tagged, screw open, pressed home by a clamp, shut, clamp off.
  bottomed: moves([TAG, OPEN, bleeder('press'), SHUT, bleeder('clampOff'), UNTAG]),
  wedged: moves([TAG, pedal('wedge')]),
  // A dry slave in the hand, and a new master that sends nothing.
  slavePrimed: moves([bleeder('in'), bleeder('fillPort'), bleeder('letOut')]),
  masterPrimed: moves([OPEN, { ...DOWN, strokes: 0.5 }, SHUT, UP], SHUT_FIRST),
}
/** All that is coached: a method, a trick, or work that belongs to it. */
export type Coached = Method | Trick | Work
export const isMethod = (name: Coached): name is Method => name in METHOD_MOVES
export const isTrick = (name: Coached): name is Trick => name in TRICK_MOVES
export const movesOf = (name: Coached): MethodMoves =>
  isMethod(name) ? METHOD_MOVES[name] : isTrick(name) ? TRICK_MOVES[name] : WORK_MOVES[name]
