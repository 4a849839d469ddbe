import { bleeder, calls } from './calls'
import { byCycles, run, trick } from './row'

export const tap = trick({
  id: 'tap',
  name: 'Line tapped along its way',
  caution: null,
  said: {
    way: '(?:line|pipe) tapped|tapped (?:along |down )?(?:the )?(?:line|pipe)(?: along its way)?',
    figure: null,
  },
  where: 'vehicle',
  nose: 0,
  turns: false,
  drawsAs: null,
  instead: null,
  calls: calls([
    [
      bleeder('knock', { seconds: 30, draws: true }),
      'Knock along the line with a handle, from its low end up.',
      'The line is being knocked: leave the pedal alone.',
    ],
  ]),
  run: run({
    id: 'tap',
    words: 'Line tapped',
    needs: {
      people: 1,
      tools: [],
      setup: 1,
      spill: 0,
      screw: false,
      shared: true,
      reason: 'A wooden handle along the line.',
    },
    hangsOn: ['bubble'],
    finishes: true,
    every: 0.3,
    rate: () => null,
    fills: byCycles(),
    cycle: ({ machine }) => {
      machine.tapping = true
      machine.wait(30)
      machine.tapping = false
    },
  }),
})
