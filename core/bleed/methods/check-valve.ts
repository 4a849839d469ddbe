import { AT_SCREW, calls, OPEN, SHUT, STROKE, UP } from './calls'
import { leftOpen, leftOpenRate } from './pushed'
import { BY_PEDAL, method, run } from './row'

/** Share of a stroke that comes back past a valve that holds. */
const PAST_VALVE = 0.03

export const checkValve = method({
  id: 'checkValve',
  name: 'Check-valve hose',
  hint: 'Alone. Watch the screw’s thread for leaks.',
  said: 'check[- ]valve(?: hose)?',
  where: 'vehicle',
  draws: 'stroke',
  atUnion: false,
  instead: null,
  screwless: false,
  calls: calls(
    [
      [
        STROKE,
        'Pedal down, smoothly. The valve lets it out.',
        'The pedal goes down. Watch the valve and the screw’s thread.',
      ],
      [
        UP,
        'Pedal up, slowly: the valve must hold.',
        'The pedal comes up: nothing may come back past the valve.',
      ],
    ],
    {
      ...AT_SCREW,
      wants: ['marked', 'valveHose'],
      before: [
        [
          OPEN,
          'Open the screw a quarter turn and leave it: the valve keeps the fluid from coming back.',
          'The screw is being opened and stays open for the valve hose; no stroke yet.',
        ],
      ],
      after: [
        [
          SHUT,
          'Close the screw behind the valve hose; the pedal is up.',
          'The screw is being closed behind the valve hose. No more strokes.',
        ],
      ],
    },
  ),
  run: run({
    id: 'checkValve',
    words: 'Check-valve hose',
    needs: {
      people: 1,
      tools: ['checkValveHose'],
      setup: 4,
      spill: 1,
      screw: true,
      shared: true,
      reason: 'As good as its valve.',
    },
    hangsOn: ['burpShare', 'cupCrack', 'cupR', 'bleederR', 'tPush', 'tLift', 'falseBack'],
    rate: leftOpenRate,
    fills: BY_PEDAL,
    cycle: (of) => leftOpen(of, PAST_VALVE),
  }),
})
