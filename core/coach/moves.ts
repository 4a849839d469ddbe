import type { Method, Trick } from '../entries'
import { bleeder, moves, pedal, type MethodMoves } from './move'
import { WORK_MOVES, type Work } from './works'

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
      // The circuit stands under pressure for hours: closed by hand is not tight.
      bars: ['screwLoose', 'unionLoose', 'capOff'],
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
