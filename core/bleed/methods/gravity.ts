import { bleeder, calls, OPEN, SHUT, WITH_HOSE } from './calls'
import { steady } from './flow'
import { byCycles, method, NOTHING_AT_FIRST, run } from './row'

export const gravity = method({
  id: 'gravity',
  name: 'Gravity',
  hint: 'Alone and patient; a crest may keep its air.',
  said: 'gravity',
  where: 'vehicle',
  draws: 'minute',
  atUnion: false,
  instead: 5,
  screwless: false,
  calls: calls(
    [
      [
        bleeder('wait', { seconds: 60, draws: true }),
        'Let it run. Watch the hose, the bottle and the level; nobody at the pedal.',
        'It runs by itself. Watch the reservoir, and keep off the pedal.',
      ],
    ],
    {
      ...WITH_HOSE,
      before: [
        [
          OPEN,
          'Open the screw half a turn and let it run. Nobody touches the pedal.',
          'The screw is being opened and it runs by itself. Keep off the pedal: pressed, it shuts the port.',
        ],
      ],
      after: [
        [
          SHUT,
          'Close the screw: it has run long enough. Nobody is at the pedal.',
          'The screw is being closed. Keep off the pedal as before.',
        ],
      ],
    },
  ),
  run: run({
    id: 'gravity',
    words: 'Gravity',
    needs: {
      people: 1,
      tools: ['hose'],
      setup: 3,
      spill: 1,
      screw: true,
      shared: true,
      reason: 'Open, wait, top up.',
    },
    hangsOn: ['Cd', 'cupCrack', 'cupR', 'bleederR', 'batch', 'handling'],
    every: 0.4,
    rate: ({ steady: flows }) => flows(0, 0),
    fills: byCycles(
      NOTHING_AT_FIRST,
      'It stands still for minutes where the line climbs: fluid has to get over the crest first.',
    ),
    cycle: (of) => steady(of, 60, Infinity, 0, 0),
  }),
})
