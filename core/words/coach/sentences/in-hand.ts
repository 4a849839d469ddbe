import type { Coached } from '../../../coach'
import type { Sentences } from './row'

/** The slave, or the master, in the hand, hung up or on the bench. */
export const IN_HAND = {
  hang: {
    cycle: [
      [
        'in',
        'Push the slave’s rod in slowly, in one second, the slave hanging lowest.',
        'The hung slave’s rod goes in: bubbles come up.',
      ],
      ['wait', 'Let the bubbles rise up the hung line.', 'Bubbles rise up the hung line.'],
      [
        'out',
        'Let the rod come out slowly, over four seconds, so that it draws fluid and no air.',
        'The hung slave’s rod comes out: the reservoir must not run low.',
      ],
      ['wait', 'Let it settle before the next.', 'It settles before the next.'],
    ],
  },
  slaveStrokes: {
    cycle: [
      [
        'in',
        'Push the rod in slowly, the port uppermost. The pedal is tagged.',
        'The slave’s rod goes in: watch for bubbles in the reservoir, keep off the tagged pedal.',
      ],
      [
        'wait',
        'Hold the rod in and the port uppermost while the bubbles rise.',
        'The rod is held in: bubbles rise.',
      ],
      [
        'out',
        'Let the rod come out slowly: it draws fluid down. Keep the port uppermost.',
        'The rod comes out and draws from the reservoir: it must not run low.',
      ],
      ['wait', 'Let it settle, the port still uppermost.', 'The slave is held still.'],
    ],
  },
  benchLoop: {
    cycle: [
      [
        'down',
        'Push the master’s rod in, short and slow. Both ends of the loop stay under.',
        'The master’s rod goes in: keep the loop’s end under.',
      ],
      [
        'up',
        'Let the master’s rod come back slowly.',
        'The master’s rod comes back: keep the loop’s end under.',
      ],
    ],
  },
  slavePrimed: {
    cycle: [
      ['in', 'Push the rod in by hand, port up, over a rag.', 'The new slave’s rod goes in.'],
      [
        'prime',
        'Fill the slave through its port until it stands full.',
        'The new slave is being filled.',
      ],
      [
        'out',
        'Let the rod come out slowly, topping up at the port, then cap the port.',
        'The new slave’s rod comes out.',
      ],
    ],
  },
} satisfies Partial<Record<Coached, Sentences>>
