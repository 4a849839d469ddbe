import { bleeder, calls, OPEN, pedal, REMOVE, SHUT, STROKE, UP, WITH_HOSE } from './calls'
import { push } from './pushed'
import { BY_PEDAL, method, run } from './row'

/** s of a walk from the pedal to the screw, or back: two of them are a trip. */
const WALK = bleeder('walk', { seconds: 10 })
/** s of a stroke down to where the bar holds. */
const DOWN = 2

export const prop = method({
  id: 'prop',
  name: 'Pedal propped down',
  hint: 'Alone. Open, push and prop; close, then lift.',
  said: 'pedal propped',
  where: 'vehicle',
  draws: 'stroke',
  atUnion: false,
  instead: 2,
  screwless: false,
  calls: calls(
    [
      [WALK, 'To the screw; the pedal is up.', 'He is on his way to the screw; the pedal is up.'],
      [
        OPEN,
        'Open the screw, a quarter turn to a half. Nothing holds the pedal: it is up.',
        'The screw is being opened; nothing holds the pedal.',
      ],
      [
        WALK,
        'To the pedal; the screw stays open.',
        'He is on his way to the pedal; the screw is open.',
      ],
      [
        STROKE,
        'Pedal down as far as the bar will hold it, and keep your foot on it.',
        'The pedal is going down for the bar.',
      ],
      [
        pedal('bar', { pedal: 'down', heldBy: 'bar', puts: ['bar'] }),
        'Bar between pedal and seat. Ease your foot off: the bar must hold by itself.',
        'The bar goes in behind the pedal.',
      ],
      [
        WALK,
        'To the screw. The bar holds the pedal.',
        'He is on his way to the screw; the bar holds the pedal.',
      ],
      [
        SHUT,
        'Close the screw. The bar keeps the pedal down.',
        'The screw is being closed; nobody touches the bar.',
      ],
      [
        WALK,
        'To the pedal. The screw is shut, the bar holds.',
        'He is on his way to the pedal; screw shut, bar in.',
      ],
      [
        REMOVE,
        'Foot on the pedal first, then take the bar out. Keep it down.',
        'The bar comes out; a foot is on the pedal.',
      ],
      [
        UP,
        'The bar is out and the screw shut: let the pedal come up.',
        'The pedal comes up from the bar.',
      ],
    ],
    { ...WITH_HOSE, shutFirst: true },
  ),
  run: run({
    id: 'prop',
    words: 'Pedal propped down',
    needs: {
      people: 1,
      tools: ['hose', 'prop'],
      setup: 6,
      spill: 1,
      screw: true,
      shared: true,
      reason: 'A bar cut to the seat, and trips.',
    },
    hangsOn: ['burpShare', 'tLift', 'tValve', 'strokeShare', 'tripTime'],
    rate: ({ constants: { strokeShare, tValve, tLift, tripTime }, stroke }) => ({
      net: strokeShare * stroke,
      seconds: DOWN + 2 * tValve + tLift + 2 * tripTime,
      flow: (strokeShare * stroke) / DOWN,
    }),
    fills: BY_PEDAL,
    cycle: (of) => {
      const { strokeShare, tripTime } = of.machine.constants
      push(of, strokeShare, DOWN, tripTime)
    },
  }),
})
