import { calls, IN_HAND } from './calls'
import { push, slavePushed, pushRate } from './pushed'
import { BY_STROKES, method, run } from './row'

export const hang = method({
  id: 'hang',
  name: 'Off the vehicle, hung in a line',
  hint: 'The whole circuit comes out; no crest is left.',
  said: null,
  where: 'hung',
  draws: 'stroke',
  atUnion: false,
  instead: 9,
  screwless: true,
  calls: calls(
    [
      [
        IN_HAND.in,
        'Push the slave’s rod in slowly, in one second, the slave hanging lowest.',
        'The hung slave’s rod goes in: bubbles come up.',
      ],
      [IN_HAND.wait, 'Let the bubbles rise up the hung line.', 'Bubbles rise up the hung line.'],
      [
        IN_HAND.out,
        'Let the rod come out slowly, over four seconds, so that it draws fluid and no air.',
        'The hung slave’s rod comes out: the reservoir must not run low.',
      ],
      [IN_HAND.wait, 'Let it settle before the next.', 'It settles before the next.'],
    ],
    { wants: ['hung', 'marked'], offVehicle: true },
  ),
  run: run({
    id: 'hang',
    words: 'Off the vehicle, hung in a line',
    needs: {
      people: 1,
      tools: [],
      setup: 30,
      spill: 4,
      screw: false,
      shared: true,
      reason: 'The whole circuit comes out, and goes back.',
    },
    hangsOn: ['burpShare', 'tPush', 'tLift', 'tValve'],
    hung: true,
    inHand: true,
    rate: pushRate,
    fills: BY_STROKES,
    cycle: (of) => (of.screw ? push(of) : slavePushed(of)),
  }),
})
