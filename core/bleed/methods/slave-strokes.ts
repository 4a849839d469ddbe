import { calls, IN_HAND } from './calls'
import { slavePushed } from './pushed'
import { BY_STROKES, method, run } from './row'

export const slaveStrokes = method({
  id: 'slaveStrokes',
  name: 'Slave strokes in place',
  hint: 'Slave off its bolts, port uppermost, cap off: rod in, wait, let it out slowly.',
  said: 'slave strokes(?: in place)?',
  where: 'vehicle',
  draws: 'sentBack',
  atUnion: false,
  instead: 4,
  screwless: true,
  calls: calls(
    [
      [
        IN_HAND.in,
        'Push the rod in slowly, the port uppermost. The pedal is tagged.',
        'The slave’s rod goes in: watch for bubbles in the reservoir, keep off the tagged pedal.',
      ],
      [
        IN_HAND.wait,
        'Hold the rod in and the port uppermost while the bubbles rise.',
        'The rod is held in: bubbles rise.',
      ],
      [
        IN_HAND.out,
        'Let the rod come out slowly: it draws fluid down. Keep the port uppermost.',
        'The rod comes out and draws from the reservoir: it must not run low.',
      ],
      [IN_HAND.wait, 'Let it settle, the port still uppermost.', 'The slave is held still.'],
    ],
    { wants: ['tag', 'slaveOff', 'marked'], offVehicle: true },
  ),
  run: run({
    id: 'slavePush',
    words: 'Slave strokes in place',
    needs: {
      people: 1,
      tools: [],
      setup: 10,
      spill: 1,
      screw: 'none',
      shared: true,
      reason: 'Slave off its bolts, held port up, cap off.',
    },
    hangsOn: [],
    inHand: true,
    rate: () => null,
    fills: BY_STROKES,
    cycle: slavePushed,
  }),
})
