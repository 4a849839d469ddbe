import type { Sentences } from '../../bleed/methods'
import type { Work } from '../works'

/** The proof in stages, the last fill, and what is put away. */
export const OF_WORKS = {
  masterAlone: {
    cycle: [
      [
        'plug',
        'Plug the master’s outlet with a plug made for it. Only a light foot afterwards.',
        'The outlet is being plugged: stay off the pedal.',
      ],
      [
        'short',
        'Short strokes against the plugged outlet, until the rod hardly moves. A light foot.',
        'Short strokes against the plug: stand clear of it.',
      ],
    ],
  },
  withLine: {
    cycle: [
      [
        'pull',
        'Plug out of the master, a rag under it. The pedal stays up.',
        'The plug comes out of the master: stay off the pedal.',
      ],
      [
        'join',
        'Join the line to the master and tighten it.',
        'The line is being joined: stay off the pedal.',
      ],
      [
        'plug',
        'Plug the line’s far end. Only a light foot afterwards.',
        'The line’s far end is being plugged: stay off the pedal.',
      ],
      [
        'short',
        'Short strokes against the plugged line, until the rod hardly moves. A light foot.',
        'Short strokes against the line’s plug: stand clear of it.',
      ],
    ],
  },
  withSlave: {
    cycle: [
      [
        'pull',
        'Plug out of the line, a rag under it. The pedal stays up.',
        'The plug comes out of the line: stay off the pedal.',
      ],
      [
        'join',
        'Join the slave to the line and tighten it.',
        'The slave is being joined: stay off the pedal.',
      ],
      [
        'short',
        'Short strokes on the whole circuit, until the rod hardly moves.',
        'Short strokes on the whole circuit: leave the screw shut.',
      ],
    ],
  },
  endFill: {
    cycle: [
      ['fill', 'Last fill: fresh fluid to the mark, not over it.', 'The reservoir gets its last fill.'],
      ['cap', 'Cap on, its rubber seated; wipe and rinse what was spilt.', 'The cap goes on.'],
    ],
  },
  putAway: {
    cycle: [
      [
        'cap',
        'Cap on, every open end plugged; carry it upright.',
        'The cap goes on, the ends are plugged.',
      ],
    ],
  },
} satisfies Record<Work, Sentences>
