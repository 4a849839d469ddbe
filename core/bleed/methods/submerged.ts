import { calls, OPEN, SHUT, STROKE, UP, WITH_HOSE } from './calls'
import { leftOpen, leftOpenRate } from './pushed'
import { BY_PEDAL, method, run } from './row'

export const submerged = method({
  id: 'submerged',
  name: 'Hose under fluid, left open',
  hint: 'Alone. The hose end must stay under.',
  said: 'hose under(?: fluid)?',
  where: 'vehicle',
  draws: 'stroke',
  atUnion: false,
  instead: 3,
  screwless: false,
  calls: calls(
    [
      [
        STROKE,
        'Pedal down, smoothly. The screw stays open, the hose end under fluid.',
        'The pedal goes down. Look that the hose end is under.',
      ],
      [
        UP,
        'Pedal up, slowly: a part comes back through the hose.',
        'The pedal comes up: the hose end must stay under.',
      ],
    ],
    {
      ...WITH_HOSE,
      before: [
        [
          OPEN,
          'Open the screw a quarter turn and leave it. The hose end must stay under fluid from now on.',
          'The screw is being opened and stays open; no stroke yet.',
        ],
      ],
      after: [
        [
          SHUT,
          'Close the screw; the pedal is up and stays up.',
          'The screw is being closed. No more strokes.',
        ],
      ],
    },
  ),
  run: run({
    id: 'submerged',
    words: 'Hose under fluid, left open',
    needs: {
      people: 1,
      tools: ['hose'],
      setup: 4,
      spill: 1,
      screw: true,
      shared: true,
      reason: 'The end has to stay under.',
    },
    hangsOn: ['burpShare', 'cupCrack', 'cupR', 'bleederR', 'tPush', 'tLift', 'falseBack'],
    rate: leftOpenRate,
    fills: BY_PEDAL,
    cycle: (of) => leftOpen(of),
  }),
})
