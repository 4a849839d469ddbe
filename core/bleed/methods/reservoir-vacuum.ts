import { P0 } from '../physics'
import { calls, pedal } from './calls'
import { ALL_P0, KPA } from './flow'
import { byCycles, method, run, type Setting } from './row'

function drawnAtCap({ machine }: Setting): void {
  const p = P0 - machine.constants.dryVacuum * KPA
  machine.ramp([p, p, p], 'master', 30)
  machine.wait(120)
  machine.ramp(ALL_P0, 'master', 10)
  machine.wait(20)
}

export const reservoirVacuum = method({
  id: 'reservoirVacuum',
  name: 'Vacuum at the reservoir',
  hint: 'Alone. Draw, wait two minutes, let it back slowly; a few times.',
  said: 'vacuum at the (?:reservoir|cap)|reservoir vacuum',
  where: 'vehicle',
  draws: 'batch',
  atUnion: false,
  instead: 7,
  screwless: false,
  calls: calls(
    [
      [
        pedal('apply', { seconds: 30, puts: ['vacuum'] }),
        'Draw the vacuum at the reservoir. Pedal up: pressed, it shuts the port.',
        'Vacuum is drawn at the reservoir.',
      ],
      [
        pedal('wait', { seconds: 120 }),
        'Leave the vacuum on: air comes up to the port.',
        'The vacuum stands.',
      ],
      [
        pedal('vent', { seconds: 10, takes: ['vacuum'], draws: true }),
        'Let the vacuum back slowly: fluid goes in now.',
        'The vacuum is let back.',
      ],
      [
        pedal('wait', { seconds: 20 }),
        'Let it settle, and look at the level.',
        'It settles after the vacuum.',
      ],
    ],
    { wants: ['marked', 'vacuumCap'] },
  ),
  run: run({
    id: 'dryVacuum',
    words: 'Vacuum at the reservoir',
    needs: {
      people: 1,
      tools: ['vacuumPump', 'pressureCap'],
      setup: 12,
      spill: 1,
      screw: false,
      shared: false,
      reason: 'Cap that seals both ways.',
    },
    hangsOn: ['dryVacuum'],
    every: 1.5,
    rate: () => null,
    fills: byCycles(
      'Nothing seems to happen until the pressure is let back: the fluid goes in then.',
      'It boils in the reservoir: that is air, not steam.',
    ),
    cycle: drawnAtCap,
  }),
})
