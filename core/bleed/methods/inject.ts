import { G } from '../physics'
import { AT_SCREW, bleeder, calls, OPEN, SHUT } from './calls'
import { byCycles, method, run, type Setting, type Told } from './row'

function injected(of: Setting): Told {
  const { machine } = of
  const { batch, injectQ, handling, jetMix, bleederBore } = machine.constants
  const speed = (injectQ * 1e-6) / ((Math.PI / 4) * (bleederBore / 1000) ** 2)
  const fr = speed ** 2 / (G * of.slaveBore)
  const before = machine.count.liquidOut
  machine.backward(
    batch,
    batch / injectQ,
    'exit',
    'reservoir',
    machine.atUnion ? 0 : (jetMix * fr) / (1 + fr),
  )
  // What was pushed in at the screw is injected, not fluid that has come back.
  machine.count.injected += before - machine.count.liquidOut
  machine.count.liquidOut = before
  machine.rest(handling)
  return { stalled: false, flow: injectQ }
}

export const inject = method({
  id: 'inject',
  name: 'From the bleeder up',
  hint: 'Empty the reservoir first, and purge the injector.',
  said: 'injected|from the bleeder up|reverse',
  where: 'vehicle',
  draws: 'comesUp',
  atUnion: false,
  instead: null,
  screwless: false,
  calls: calls(
    [
      [
        OPEN,
        'Open the screw with the injector on it, full of fluid. The pedal must be up: pressed, it shuts the port.',
        'The screw is being opened to the injector. Keep off the pedal: it must be up.',
      ],
      [
        bleeder('inject', { draws: true }),
        'Press in slowly, no air behind it. Stop at a shout from the reservoir.',
        'Fluid comes from below: watch the level, and shout before it is over the mark.',
      ],
      [
        SHUT,
        'Close the screw while you still press a little. The pedal stays up.',
        'The screw is being closed with the injector on it. Keep off the pedal.',
      ],
    ],
    {
      ...AT_SCREW, // Never filled first: what is sent up needs the room.
      wants: ['lowered', 'purged', 'injector'],
      rises: true,
    },
  ),
  run: run({
    id: 'inject',
    words: 'From the bleeder up',
    needs: {
      people: 1,
      tools: ['injector'],
      setup: 10,
      spill: 6,
      screw: true,
      shared: false,
      reason: 'Reservoir drawn low first; it comes up fast.',
    },
    hangsOn: ['injectQ', 'jetMix', 'bleederBore', 'batch', 'handling'],
    batch: 'pushed',
    carries: 'up',
    every: 0.2,
    rate: ({ constants: { injectQ } }) => ({ net: injectQ, seconds: 1, flow: injectQ }),
    fills: byCycles(
      'The reservoir stays empty until the line is full; then it comes up at once.',
      'It bubbles in the reservoir: that is the air leaving.',
    ),
    cycle: injected,
  }),
})
