import { P0 } from '../physics'
import { calls, OPEN, pedal, SHUT, UP, WITH_HOSE } from './calls'
import { ALL_P0, MPA } from './flow'
import { BY_PEDAL, method, run, type Setting } from './row'

function pumpHeld({ machine }: Setting): void {
  const { pumps, tPump, tHold, tValve, tLift, holdPressure, letOut } = machine.constants
  const stroke = machine.chambers.stroke
  const half = tPump / 2
  const count = Math.max(1, Math.round(pumps))
  let squeezed = 0
  for (let i = 0; i < count; i++) {
    machine.burp()
    const gas = machine.total
    const hold = holdPressure * MPA
    const p = gas * (1 - P0 / hold) > stroke ? (P0 * gas) / (gas - 0.999 * stroke) : hold
    squeezed = gas * (1 - P0 / p)
    const share = Math.min(1, squeezed / stroke)
    machine.ramp([p, p, p], 'piston', half * share, stroke / half)
    const rest = Math.max(0, 1 - machine.x) * stroke
    machine.forward(rest, half * (1 - share), 'piston', 'slavePiston', stroke / half)
    if (i === count - 1) break
    machine.backward(machine.extra, half * (1 - share), 'slavePiston', 'piston')
    machine.ramp(ALL_P0, 'piston', half * share, stroke / half)
    machine.refill()
  }
  machine.rest(tHold)
  if (letOut <= 0) {
    machine.ramp(ALL_P0, 'piston', tValve / 2)
  } else {
    machine.ramp(ALL_P0, 'exit', tValve / 2)
    machine.letOut(Math.min(machine.extra, Math.max(0, letOut * stroke - squeezed)))
    // The screw stands open for as long again: what could drift has just been carried past.
    machine.count.time += tValve / 2
    machine.rest(tValve)
  }
  machine.backward(machine.extra, tLift, 'slavePiston', 'piston')
  machine.extra = 0
  machine.refill()
}

export const pumpHold = method({
  id: 'pumpHold',
  name: 'Pump, hold, open, close',
  hint: 'One helper. Pump, hold; open and close before the pedal rises.',
  said: 'pump(?:ed)? and h(?:old|eld)',
  where: 'vehicle',
  draws: 'opening',
  atUnion: false,
  instead: null,
  screwless: false,
  calls: calls(
    [
      [
        pedal('pump', { times: 4, pedal: 'down' }),
        'Full strokes, and stay down on the last. The screw is shut.',
        'The pedal is being pumped. Leave the screw shut.',
      ],
      [
        pedal('hold', { pedal: 'down' }),
        'Keep standing on it with a firm foot.',
        'The pedal is held: hand on the wrench, wait for “Open”.',
      ],
      [
        { ...OPEN, draws: true },
        'Open the screw a quarter turn: the foot keeps pressing, and it spurts.',
        'Keep standing on it: it will sink as the screw opens. Say “floor” when it is down.',
      ],
      [
        SHUT,
        'Close the screw at “floor”, before anything comes back. The foot still presses.',
        'Stay on it, however far it has sunk: the screw is being closed.',
      ],
      [
        UP,
        'The screw is shut: take your foot off, all the way up.',
        'The foot comes off. Leave the screw shut.',
      ],
    ],
    { ...WITH_HOSE, shutFirst: true, two: true },
  ),
  run: run({
    id: 'pumpHold',
    words: 'Pump, hold, open, close',
    needs: {
      people: 2,
      tools: ['hose'],
      setup: 4,
      spill: 2,
      screw: true,
      shared: true,
      reason: 'The burst at each opening spills past a slack hose.',
    },
    hangsOn: ['burpShare', 'tLift', 'tValve', 'pumps', 'tPump', 'tHold', 'letOut', 'holdPressure'],
    rate: ({ constants: { pumps, tPump, tHold, tValve, tLift, letOut }, stroke }) => ({
      net: letOut * stroke,
      seconds: (pumps - 0.5) * tPump + tHold + 2 * tValve + tLift,
      flow: stroke / (tPump / 2),
    }),
    fills: BY_PEDAL,
    cycle: pumpHeld,
  }),
})
