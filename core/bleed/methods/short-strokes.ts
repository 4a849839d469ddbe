import { calls, pedal } from './calls'
import { byCycles, run, trick } from './row'

const STROKES = 10

export const shortStrokes = trick({
  id: 'shortStrokes',
  name: 'Ten short strokes, cap off',
  caution: 'Level, or nose down. Cap off, eyes away from the reservoir: it spits.',
  said: {
    way: '(?:(?:ten|10|twenty|20) )?short strokes(?: at the master)?(?:,? (?:with the )?cap off)?',
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
        pedal('short', { times: 10, draws: true }),
        'Ten short strokes, a finger’s breadth each, until the rod hardly moves.',
        'Short strokes at the pedal: keep your eyes away from the reservoir.',
      ],
    ],
    { wants: ['marked'] },
  ),
  run: run({
    id: 'shortStrokes',
    words: 'Ten short strokes',
    needs: {
      people: 1,
      tools: [],
      setup: 0,
      spill: 0,
      screw: false,
      shared: true,
      reason: 'Ten short strokes with the cap off.',
    },
    hangsOn: ['burpShare'],
    finishes: true,
    rate: () => null,
    fills: byCycles(),
    cycle: ({ machine }) => {
      for (let i = 0; i < STROKES; i++) {
        machine.burp()
        machine.rest(1.5)
      }
    },
  }),
})
