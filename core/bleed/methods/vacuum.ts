import type { Constants } from '../constants'
import { AT_SCREW, bleeder, calls, OPEN, SHUT } from './calls'
import { KPA, pull } from './flow'
import { byCycles, method, run } from './row'

/** What is left of the gauge's vacuum with so much air past the screw's threads, Pa. */
const reached = ({ vacuum, falseAir, vacuumCapacity }: Constants): number =>
  vacuum * KPA * Math.max(0, 1 - falseAir / vacuumCapacity)

export const vacuum = method({
  id: 'vacuum',
  name: 'Vacuum at the bleeder',
  hint: 'Alone. Bubbles that never stop may come past the thread.',
  said: 'vacuum(?: at the (?:bleeder|screw))?',
  where: 'vehicle',
  draws: 'batch',
  atUnion: false,
  instead: 6,
  screwless: false,
  calls: calls(
    [
      [
        OPEN,
        'Open the screw: the pump draws it through. Nobody touches the pedal.',
        'The screw is being opened to the pump. Keep off the pedal.',
      ],
      [
        bleeder('flow', { draws: true }),
        'Let it through and keep the gauge up. Bubbles at the screw’s thread are its own.',
        'It is drawn through: watch the reservoir.',
      ],
      [
        SHUT,
        'Close the screw while the pump still draws. The pedal has stayed up.',
        'The screw is being closed before the vacuum goes.',
      ],
    ],
    {
      ...AT_SCREW,
      wants: ['marked', 'pumpHose'],
      before: [
        [
          bleeder('apply', { puts: ['vacuum'] }),
          'Pump the vacuum up at the hose, the screw still shut.',
          'Vacuum is built up at the screw. Keep off the pedal.',
        ],
      ],
      after: [
        [
          bleeder('vent', { takes: ['vacuum'] }),
          'Let the vacuum off at the pump, the screw shut.',
          'The vacuum is let off. Leave the reservoir as it is.',
        ],
      ],
    },
  ),
  run: run({
    id: 'vacuum',
    words: 'Vacuum at the bleeder',
    needs: {
      people: 1,
      tools: ['vacuumPump'],
      setup: 8,
      spill: 1,
      screw: true,
      shared: true,
      reason: 'Bottle, pump, tape on the threads.',
    },
    hangsOn: [
      'Cd',
      'cupCrack',
      'cupR',
      'bleederR',
      'vacuum',
      'falseAir',
      'falseShare',
      'vacuumCapacity',
      'batch',
      'handling',
    ],
    falseAir: true,
    batch: 'drawn',
    every: 0.2,
    rate: ({ constants, steady }) => steady(0, reached(constants)),
    fills: byCycles(
      'Foam fills the bottle first: most of it is air that was in the line.',
      'Bubbles go on after the fluid: some come past the screw’s thread.',
    ),
    cycle: (of) => pull(of, 0, reached(of.machine.constants)),
  }),
})
