import { bleeder, calls, OPEN, SHUT, TAG, UNTAG, WITH_HOSE } from './calls'
import { byCycles, run, trick, type Setting } from './row'

/** The slave’s piston pressed home with the screw open, the screw shut, the piston let back. */
function pressedHome(of: Setting): void {
  const { machine } = of
  const rest = machine.chambers
  const steps = 40
  const dv = of.slaveTravel / steps
  for (let i = 1; i <= steps; i++) {
    machine.extra = 0
    machine.chambers = of.shortened(1 - i / steps)
    machine.pressOut(dv)
  }
  machine.chambers = rest
  machine.extra = -of.slaveTravel
  // From the reservoir, with the screw shut: slowly, and nothing has time to rise.
  machine.forward(of.slaveTravel, 0, 'reservoir', 'slavePiston', 1)
  machine.extra = 0
  machine.count.time += 10
}

/** Never by hand with a foot on the pedal: tagged, screw open, pressed home by a clamp, shut, clamp off. */
export const bottomed = trick({
  id: 'bottomed',
  name: 'Slave pushed home, screw open',
  caution:
    'Tag the pedal, open the screw, press the piston home with a clamp, shut the screw, clamp off. Never by hand with a foot on the pedal.',
  said: {
    way: 'bottomed the slave|slave bottomed|slave pushed home(?:,? (?:with )?(?:the )?(?:bleed )?screw open)?',
    figure: null,
  },
  where: 'vehicle',
  nose: 0,
  turns: false,
  drawsAs: null,
  instead: null,
  calls: calls(
    [
      [
        TAG,
        'Tag on the pedal: nobody presses it from here on.',
        'The pedal is being tagged: nobody presses it from here on.',
      ],
      [
        OPEN,
        'Open the screw; hose on, its end under. No foot on the pedal.',
        'The screw is being opened. Stay off the tagged pedal.',
      ],
      [
        bleeder('squeeze', { puts: ['slaveClamp'] }),
        'Press the piston home with a clamp or lever, the screw open. No foot on the pedal.',
        'The slave’s piston is being pressed home. Stay off the tagged pedal.',
      ],
      [
        SHUT,
        'Close the screw while the clamp still holds the piston home. No foot on the pedal.',
        'The screw is being closed, the piston clamped home. Stay off the tagged pedal.',
      ],
      [
        bleeder('unclamp', { takes: ['slaveClamp'], draws: true }),
        'Clamp off, slowly: the piston comes back by itself and draws fluid down.',
        'The clamp comes off. Stay off the tagged pedal.',
      ],
      [UNTAG, 'Tag off the pedal: the piston is free.', 'The tag comes off: the piston is free.'],
    ],
    { ...WITH_HOSE },
  ),
  run: run({
    id: 'bottom',
    words: 'Slave pushed home, screw open',
    needs: {
      people: 1,
      tools: ['wedge'],
      setup: 6,
      spill: 1,
      screw: true,
      shared: true,
      reason: 'Pedal tagged, screw open, piston pressed home by a clamp.',
    },
    hangsOn: [],
    finishes: true,
    rate: () => null,
    fills: byCycles(),
    cycle: pressedHome,
  }),
})
