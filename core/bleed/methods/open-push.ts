import { calls, OPEN, SHUT, STROKE, UP, WITH_HOSE } from './calls'
import { push, pushRate } from './pushed'
import { BY_PEDAL, method, run } from './row'

export const openPush = method({
  id: 'openPush',
  name: 'Open, down, close, up',
  hint: 'One helper. Open, pedal down, close, and only then up.',
  said: null,
  where: 'vehicle',
  draws: 'stroke',
  atUnion: false,
  instead: 1,
  screwless: false,
  calls: calls(
    [
      [
        OPEN,
        'Open the screw, a quarter turn to a half. The pedal is up.',
        'The screw is being opened. Keep your foot off the pedal until it is open.',
      ],
      [
        STROKE,
        'Pedal to the floor in one smooth, quick stroke, and keep it there.',
        'The pedal is going down: watch the hose, hand on the wrench.',
      ],
      [
        SHUT,
        'Close the screw. The foot keeps the pedal on the floor until you say so.',
        'Keep the pedal on the floor: the screw is being closed.',
      ],
      [
        UP,
        'The screw is shut: let the pedal come up, all the way.',
        'The pedal is coming up. Leave the screw shut.',
      ],
    ],
    { ...WITH_HOSE, shutFirst: true, two: true },
  ),
  run: run({
    id: 'openPush',
    words: 'Open, down, close, up',
    needs: {
      people: 2,
      tools: ['hose'],
      setup: 4,
      spill: 1,
      screw: true,
      shared: true,
      reason: 'Hose, bottle, a helper in the seat.',
    },
    hangsOn: ['burpShare', 'tPush', 'tLift', 'tValve'],
    rate: pushRate,
    fills: BY_PEDAL,
    cycle: (of) => push(of),
  }),
})
