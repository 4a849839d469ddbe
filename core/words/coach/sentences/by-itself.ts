import type { Coached } from '../../../coach'
import type { Sentences } from './row'

/** Fluid moves by itself, under pressure or vacuum, or from below: the pedal stays up. */
export const BY_ITSELF = {
  gravity: {
    before: [
      [
        'open',
        'Open the screw half a turn and let it run. Nobody touches the pedal.',
        'The screw is being opened and it runs by itself. Keep off the pedal: pressed, it shuts the port.',
      ],
    ],
    cycle: [
      [
        'wait',
        'Let it run. Watch the hose, the bottle and the level; nobody at the pedal.',
        'It runs by itself. Watch the reservoir, and keep off the pedal.',
      ],
    ],
    after: [
      [
        'shut',
        'Close the screw: it has run long enough. Nobody is at the pedal.',
        'The screw is being closed. Keep off the pedal as before.',
      ],
    ],
  },
  pressure: {
    before: [
      [
        'apply',
        'Bring the cap up to its pressure, 30 kPa to begin with; never over what the makers of cap and vehicle allow. Screw shut, pedal up.',
        'Pressure comes on at the reservoir. Leave the screw shut.',
      ],
    ],
    cycle: [
      [
        'open',
        'Open the screw: the cap presses it through. Nobody touches the pedal.',
        'The screw is being opened under pressure. Keep off the pedal.',
      ],
      [
        'flow',
        'Let it through under pressure, watching hose and gauge.',
        'It is pressed through: watch the reservoir and its cap.',
      ],
      [
        'shut',
        'Close the screw while the pressure stands. The pedal has stayed up.',
        'The screw is being closed; the pressure stands yet.',
      ],
    ],
    after: [
      [
        'vent',
        'Let the pressure off slowly, the screw shut, before the cap comes off.',
        'The pressure is let off. Leave the screw shut.',
      ],
    ],
  },
  vacuum: {
    before: [
      [
        'apply',
        'Pump the vacuum up at the hose, the screw still shut.',
        'Vacuum is built up at the screw. Keep off the pedal.',
      ],
    ],
    cycle: [
      [
        'open',
        'Open the screw: the pump draws it through. Nobody touches the pedal.',
        'The screw is being opened to the pump. Keep off the pedal.',
      ],
      [
        'flow',
        'Let it through and keep the gauge up. Bubbles at the screw’s thread are its own.',
        'It is drawn through: watch the reservoir.',
      ],
      [
        'shut',
        'Close the screw while the pump still draws. The pedal has stayed up.',
        'The screw is being closed before the vacuum goes.',
      ],
    ],
    after: [
      [
        'vent',
        'Let the vacuum off at the pump, the screw shut.',
        'The vacuum is let off. Leave the reservoir as it is.',
      ],
    ],
  },
  inject: {
    cycle: [
      [
        'open',
        'Open the screw with the injector on it, full of fluid. The pedal must be up: pressed, it shuts the port.',
        'The screw is being opened to the injector. Keep off the pedal: it must be up.',
      ],
      [
        'inject',
        'Press in slowly, no air behind it. Stop at a shout from the reservoir.',
        'Fluid comes from below: watch the level, and shout before it is over the mark.',
      ],
      [
        'shut',
        'Close the screw while you still press a little. The pedal stays up.',
        'The screw is being closed with the injector on it. Keep off the pedal.',
      ],
    ],
  },
  reservoirVacuum: {
    cycle: [
      [
        'apply',
        'Draw the vacuum at the reservoir. Pedal up: pressed, it shuts the port.',
        'Vacuum is drawn at the reservoir.',
      ],
      ['wait', 'Leave the vacuum on: air comes up to the port.', 'The vacuum stands.'],
      ['vent', 'Let the vacuum back slowly: fluid goes in now.', 'The vacuum is let back.'],
      ['wait', 'Let it settle, and look at the level.', 'It settles after the vacuum.'],
    ],
  },
} satisfies Partial<Record<Coached, Sentences>>
