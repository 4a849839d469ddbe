import { calls, pedal, UP } from './calls'
import { method } from './row'

export const benchLoop = method({
  id: 'benchLoop',
  name: 'Master on the bench, hose looped',
  hint: 'Short slow strokes, both ends of the loop under fluid.',
  said: 'bench loop|on the bench, looped',
  where: 'bench',
  draws: 'nothing',
  atUnion: false,
  instead: null,
  screwless: false,
  calls: calls(
    [
      [
        pedal('down', { pedal: 'down' }),
        'Push the master’s rod in, short and slow. Both ends of the loop stay under.',
        'The master’s rod goes in: keep the loop’s end under.',
      ],
      [
        UP,
        'Let the master’s rod come back slowly.',
        'The master’s rod comes back: keep the loop’s end under.',
      ],
    ],
    { wants: ['vice', 'levelled', 'hands', 'loop', 'marked'], offVehicle: true },
  ),
  run: null,
})
