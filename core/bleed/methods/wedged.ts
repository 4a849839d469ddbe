import { calls, pedal, REMOVE, TAG, UNTAG, UP } from './calls'
import { ALL_P0 } from './flow'
import { byCycles, run, trick, type Setting } from './row'
import { duration } from './said'
import { shortStrokes } from './short-strokes'

function leftOvernight(of: Setting): void {
  const { machine } = of
  const night = 8 * 3600
  const p = 3e5
  ;[machine.pm, machine.pl, machine.ps] = [p, p, p]
  machine.x = 0.5
  const step = 30
  let left = night
  while (left > 0) {
    machine.drift(Math.min(step, left))
    left -= step
    if (machine.moved < 1e-9) break
  }
  machine.count.time += night
  machine.x = 0
  ;[machine.pm, machine.pl, machine.ps] = ALL_P0
  for (let i = 0; i < 5; i++) {
    machine.burp()
    machine.rest(1)
  }
}

export const wedged = trick({
  id: 'wedged',
  name: 'Pedal wedged down',
  caution: 'Tag the pedal. The cap stays on, and the floor dry.',
  said: { way: `(?:pedal )?wedged(?: down)?(?: overnight)?${duration}`, figure: 'duration' },
  where: 'vehicle',
  nose: 0,
  turns: false,
  drawsAs: shortStrokes.run,
  instead: null,
  calls: calls(
    [
      [
        TAG,
        'Tag on the pedal: it stays wedged, and nobody takes it out unasked.',
        'The pedal is being tagged for the wedge.',
      ],
      [
        pedal('wedge', { pedal: 'down', heldBy: 'wedge', puts: ['wedge'], draws: true }),
        'Pedal down and wedged, the cap on, the floor dry. Leave it for hours, best overnight.',
        'The pedal is being wedged down: leave the screw shut.',
      ],
    ],
    {
      // The circuit stands under pressure for hours: closed by hand is not tight.
      bars: ['screwLoose', 'unionLoose', 'capOff'],
      after: [
        [
          REMOVE,
          'When it has stood long enough: foot on the pedal, then the wedge out. Keep it down.',
          'The wedge comes out: a foot is on the pedal, the screw shut.',
        ],
        [
          UP,
          'The wedge is out: let the pedal come up slowly.',
          'The pedal comes up from the wedge: leave the screw shut.',
        ],
        [UNTAG, 'Tag off: the wedge is out.', 'The tag comes off: the wedge is out.'],
      ],
    },
  ),
  run: run({
    id: 'overnight',
    words: 'Pedal wedged down overnight',
    needs: {
      people: 1,
      tools: ['wedge'],
      setup: 3,
      spill: 0,
      screw: false,
      shared: true,
      reason: 'Pedal wedged down until morning.',
    },
    hangsOn: ['burpShare'],
    finishes: true,
    every: 240,
    rate: () => null,
    fills: byCycles(),
    cycle: leftOvernight,
  }),
})
