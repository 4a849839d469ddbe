import type { Method, Trick } from '../entries'

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
  draws?: number
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

const bleeder = (call: Call, more: Partial<Move> = {}): Move => ({ call, role: 'bleeder', ...more })
const pedal = (call: Call, more: Partial<Move> = {}): Move => ({ call, role: 'pedal', ...more })
const OPEN = bleeder('open', { screw: 'open' })
const SHUT = bleeder('shut', { screw: 'shut' })
const DOWN = pedal('down', { pedal: 'down', strokes: 1 })
const UP = pedal('up', { pedal: 'up' })
const WALK = bleeder('walk', { seconds: 20 })
const TAG = pedal('tag')
const UNTAG = pedal('untag')
/** ml that are drawn before one looks at the level. */
const BATCH = 50

const method = (
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
  openPush: method([OPEN, DOWN, SHUT, UP], SHUT_FIRST),
  crackedUnion: method([OPEN, DOWN, SHUT, UP], SHUT_FIRST),
  pumpHold: method(
    [pedal('pump', { times: 4, pedal: 'down' }), pedal('hold', { pedal: 'down' }), OPEN, SHUT, UP].map(
      (move) => (move.call === 'open' ? { ...move, strokes: 0.4 } : move),
    ),
    SHUT_FIRST,
  ),
  prop: method([WALK, OPEN, DOWN, WALK, SHUT, UP], { shutFirst: true, alone: true }),
  submerged: method([DOWN, UP], { before: [OPEN], after: [SHUT] }),
  checkValve: method([DOWN, UP], { before: [OPEN], after: [SHUT] }),
  gravity: method([bleeder('wait', { seconds: 60, draws: 25 })], { before: [OPEN], after: [SHUT] }),
  pressure: method([OPEN, bleeder('look', { draws: BATCH }), SHUT], {
    before: [pedal('build')],
    after: [pedal('release')],
  }),
  vacuum: method([OPEN, bleeder('look', { draws: BATCH }), SHUT], {
    before: [bleeder('build')],
    after: [bleeder('release')],
  }),
  inject: method([OPEN, bleeder('push'), SHUT]),
  hang: method(SLAVE_IN_HAND),
  slaveStrokes: method(SLAVE_IN_HAND),
  reservoirVacuum: method([
    pedal('draw', { seconds: 30 }),
    pedal('wait', { seconds: 120 }),
    pedal('letBack', { seconds: 10 }),
    pedal('wait', { seconds: 20 }),
  ]),
  benchLoop: method([DOWN, UP].map((move) => ({ ...move, strokes: 0 }))),
}
/** Tricks in their safe form; they have one cycle. */
export const TRICK_MOVES: Record<Trick, MethodMoves> = {
  shortStrokes: method([pedal('short', { times: 10 })]),
  tap: method([bleeder('tap', { seconds: 30 })]),
  noseUp: method([bleeder('raise')]),
  noseDown: method([bleeder('raise')]),
  turned: method([TAG, bleeder('turn'), bleeder('back'), UNTAG]),
  // Never by hand with a foot on the pedal: tagged, screw open, pressed home by a clamp, shut, clamp off.
  bottomed: method([TAG, OPEN, bleeder('press'), SHUT, bleeder('clampOff'), UNTAG]),
  wedged: method([TAG, pedal('wedge')]),
}
export const movesOf = (name: Method | Trick): MethodMoves =>
  name in METHOD_MOVES ? METHOD_MOVES[name as Method] : TRICK_MOVES[name as Trick]
