import { AT_SCREW, bleeder, calls, OPEN, pedal, SHUT } from './calls'
import { KPA, pull } from './flow'
import { byCycles, method, run } from './row'

export const pressure = method({
  id: 'pressure',
  name: 'Low pressure at the reservoir',
  hint: 'Start at 30 kPa; the maker of cap and vehicle sets the most.',
  said: 'pressure(?: at the (?:reservoir|cap))?',
  where: 'vehicle',
  draws: 'batch',
  atUnion: false,
  instead: null,
  screwless: false,
  calls: calls(
    [
      [
        OPEN,
        'Open the screw: the cap presses it through. Nobody touches the pedal.',
        'The screw is being opened under pressure. Keep off the pedal.',
      ],
      [
        bleeder('flow', { draws: true }),
        'Let it through under pressure, watching hose and gauge.',
        'It is pressed through: watch the reservoir and its cap.',
      ],
      [
        SHUT,
        'Close the screw while the pressure stands. The pedal has stayed up.',
        'The screw is being closed; the pressure stands yet.',
      ],
    ],
    {
      ...AT_SCREW,
      wants: ['marked', 'hose', 'pressureCap'],
      before: [
        [
          pedal('apply', { puts: ['pressure'] }),
          'Bring the cap up to its pressure, 30 kPa to begin with; never over what the makers of cap and vehicle allow. Screw shut, pedal up.',
          'Pressure comes on at the reservoir. Leave the screw shut.',
        ],
      ],
      after: [
        [
          pedal('vent', { takes: ['pressure'] }),
          'Let the pressure off slowly, the screw shut, before the cap comes off.',
          'The pressure is let off. Leave the screw shut.',
        ],
      ],
    },
  ),
  run: run({
    id: 'pressure',
    words: 'Pressure at the reservoir',
    needs: {
      people: 1,
      tools: ['hose', 'pressureCap'],
      setup: 12,
      spill: 3,
      screw: true,
      shared: false,
      reason: 'Cap that seals, hose, gauge; a leak shows at once.',
    },
    hangsOn: ['Cd', 'cupCrack', 'cupR', 'bleederR', 'overPressure', 'batch', 'handling'],
    batch: 'drawn',
    every: 0.2,
    rate: ({ constants, steady }) => steady(KPA * constants.overPressure, 0),
    fills: byCycles('It spits before it flows.', 'The level falls fast at first, then hardly at all.'),
    cycle: (of) => pull(of, of.machine.constants.overPressure * KPA, 0),
  }),
})
