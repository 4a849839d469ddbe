import type { Coached } from '../../../coach'
import type { Sentences } from './row'

/** What reaches the air that no cycle reaches, in its safe form. */
export const OF_TRICKS = {
  shortStrokes: {
    cycle: [
      [
        'short',
        'Ten short strokes, a finger’s breadth each, until the rod hardly moves.',
        'Short strokes at the pedal: keep your eyes away from the reservoir.',
      ],
    ],
  },
  tap: {
    cycle: [
      [
        'knock',
        'Knock along the line with a handle, from its low end up.',
        'The line is being knocked: leave the pedal alone.',
      ],
    ],
  },
  noseUp: {
    cycle: [
      [
        'raise',
        'Nose up, on firm stands, wheels chocked. Nobody under it on a jack alone.',
        'The nose goes up: stand clear, out of the seat.',
      ],
    ],
  },
  noseDown: {
    cycle: [
      [
        'raise',
        'Tail up, on firm stands, wheels chocked. Nobody under it on a jack alone.',
        'The nose goes down: stand clear, out of the seat.',
      ],
    ],
  },
  turned: {
    cycle: [
      [
        'tag',
        'Tag on the pedal: nobody presses it while the slave is loose.',
        'The pedal is being tagged before the slave is loosened.',
      ],
      [
        'turn',
        'Slave off its bolts and turned until its screw, or its port, is uppermost. The line stays on.',
        'The slave is being turned: keep off the tagged pedal.',
      ],
      [
        'refit',
        'Slave back, rod in its seat, bolts tight.',
        'The slave goes back: keep off the pedal until the tag is off.',
      ],
      ['untag', 'The slave is tight: tag off the pedal.', 'The tag comes off: the slave is tight.'],
    ],
  },
  bottomed: {
    cycle: [
      [
        'tag',
        'Tag on the pedal: nobody presses it from here on.',
        'The pedal is being tagged: nobody presses it from here on.',
      ],
      [
        'open',
        'Open the screw; hose on, its end under. No foot on the pedal.',
        'The screw is being opened. Stay off the tagged pedal.',
      ],
      [
        'squeeze',
        'Press the piston home with a clamp or lever, the screw open. No foot on the pedal.',
        'The slave’s piston is being pressed home. Stay off the tagged pedal.',
      ],
      [
        'shut',
        'Close the screw while the clamp still holds the piston home. No foot on the pedal.',
        'The screw is being closed, the piston clamped home. Stay off the tagged pedal.',
      ],
      [
        'unclamp',
        'Clamp off, slowly: the piston comes back by itself and draws fluid down.',
        'The clamp comes off. Stay off the tagged pedal.',
      ],
      ['untag', 'Tag off the pedal: the piston is free.', 'The tag comes off: the piston is free.'],
    ],
  },
  wedged: {
    cycle: [
      [
        'tag',
        'Tag on the pedal: it stays wedged, and nobody takes it out unasked.',
        'The pedal is being tagged for the wedge.',
      ],
      [
        'wedge',
        'Pedal down and wedged, the cap on, the floor dry. Leave it for hours, best overnight.',
        'The pedal is being wedged down: leave the screw shut.',
      ],
    ],
    after: [
      [
        'remove',
        'When it has stood long enough: foot on the pedal, then the wedge out. Keep it down.',
        'The wedge comes out: a foot is on the pedal, the screw shut.',
      ],
      [
        'up',
        'The wedge is out: let the pedal come up slowly.',
        'The pedal comes up from the wedge: leave the screw shut.',
      ],
      ['untag', 'Tag off: the wedge is out.', 'The tag comes off: the wedge is out.'],
    ],
  },
} satisfies Partial<Record<Coached, Sentences>>
